'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Model } from '@/core/procedure/model';
import { screwGroups, screwName } from '@/core/screws/screwGroups';
import type { Refusal } from '@/core/shared/outcome';
import type { ModelPageView } from '@/services/models/readModelPage';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { KeyCap } from '@/ui/base/KeyCap';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useKey } from '@/ui/keys/KeysProvider';
import { sayCount, sayList } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';
import { ChecksTab } from './ChecksTab';
import { GraphTab } from './GraphTab';
import { HistoryTab } from './HistoryTab';
import { OrderTab } from './OrderTab';
import { send } from './requests';

const tabs = [
  { id: 'order', key: '1', label: 'Teardown' },
  { id: 'graph', key: '2', label: 'Procedure' },
  { id: 'checks', key: '3', label: 'Checks' },
  { id: 'history', key: '4', label: 'History' },
] as const;
type TabId = (typeof tabs)[number]['id'];

interface ModelScreenProps {
  readonly view: ModelPageView;
  readonly mayWrite: boolean;
  readonly mayRehearse: boolean;
}

/** How does it come apart? The teardown along its order, the procedure as a graph, its checks, its history. */
export function ModelScreen({ view, mayWrite, mayRehearse }: ModelScreenProps) {
  const { model, problems, versions } = view;
  const [tab, setTab] = useState<TabId>('order');
  return (
    <Box minH="calc(100vh - 84px)">
      <Box px="28px" pt="18px">
        <Headline lead={leadOf(model)} aside={<Doors model={model} mayWrite={mayWrite} mayRehearse={mayRehearse} />}>
          {model.maker} {model.name}
          <Box as="span" fontSize="18px" fontWeight="400" color="inkMuted" ms="10px">
            version {model.version}
          </Box>
        </Headline>
      </Box>
      <Box role="tablist" aria-label="Views of the model" display="flex" px="28px" gap="2px">
        {tabs.map(({ id, key, label }) => (
          <Tab
            key={id}
            keyName={key}
            label={id === 'checks' && problems.length > 0 ? `${label}: ${problems.length}` : label}
            isOpen={id === tab}
            onOpen={() => setTab(id)}
          />
        ))}
      </Box>
      <Box role="tabpanel" aria-label={tabs.find(({ id }) => id === tab)?.label}>
        {tab === 'order' && <OrderTab model={model} />}
        {tab === 'graph' && <GraphTab model={model} />}
        {tab === 'checks' && <ChecksTab problems={problems} />}
        {tab === 'history' && <HistoryTab modelId={model.id} versions={versions} />}
      </Box>
    </Box>
  );
}

function leadOf({ parts, operations, joints }: Model): string {
  const groups = screwGroups(joints);
  const count = groups.reduce((sum, group) => sum + group.count, 0);
  const kinds = groups.slice(0, 4).map((group) => `${group.count} × ${screwName(group)}`);
  const rest = groups.length > 4 ? [sayCount(groups.length - 4, 'more kind')] : [];
  return `${sayCount(parts.length, 'part')}, ${sayCount(operations.length, 'operation')}, ${sayCount(count, 'screw')}: ${sayList([...kinds, ...rest])}.`;
}

const TabButton = chakra('button', {
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    gap: '8px',
    minH: '42px',
    px: '14px',
    cursor: 'pointer',
    borderWidth: '1px 1px 0',
    borderStyle: 'solid',
    borderColor: 'rule',
    bg: 'paper',
    fontWeight: '600',
  },
  variants: { isOpen: { yes: { bg: 'ink', color: 'paper', borderColor: 'ink' }, no: {} } },
  defaultVariants: { isOpen: 'no' },
});

function Tab({
  keyName,
  label,
  isOpen,
  onOpen,
}: {
  readonly keyName: string;
  readonly label: string;
  readonly isOpen: boolean;
  readonly onOpen: () => void;
}) {
  useKey(keyName, label, onOpen);
  return (
    <TabButton type="button" role="tab" aria-selected={isOpen} isOpen={isOpen ? 'yes' : 'no'} onClick={onOpen}>
      <KeyCap name={keyName} />
      {label}
    </TabButton>
  );
}

/** What can be taken from here: the document, the graph, a draft. */
function Doors({ model, mayWrite, mayRehearse }: Omit<ModelScreenProps, 'view'> & { readonly model: Model }) {
  const router = useRouter();
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const edit = async () => {
    const id = uuid();
    const outcome = await send('POST', '/api/drafts', { id, from: 'model', modelId: model.id });
    if (outcome.ok) router.push(`/models/drafts/${id}`);
    else setRefusal(outcome.refusal);
  };
  return (
    <Box display="flex" gap="16px" alignItems="center">
      {refusal && <Caution what="No draft.">{sayRefusal(refusal)}</Caution>}
      <DownloadLink href={`/api/models/${model.id}`} name={`${model.id}.json`} label="document" />
      <DownloadLink href={`/api/models/${model.id}/graph`} name={`${model.id}.graphml`} label="GraphML" />
      <KeyButton
        keyName="p"
        label="What pays"
        look="outline"
        size="small"
        onPress={() => router.push(`/models/${model.id}/plan`)}
      />
      {mayRehearse && (
        <KeyButton
          keyName="h"
          label="Rehearse"
          size="small"
          onPress={() => router.push(`/models/${model.id}/rehearse`)}
        />
      )}
      {mayWrite && <KeyButton keyName="e" label="Edit" look="action" size="small" onPress={() => void edit()} />}
    </Box>
  );
}

const DownloadLink = ({
  href,
  name,
  label,
}: {
  readonly href: string;
  readonly name: string;
  readonly label: string;
}) => (
  <a href={href} download={name}>
    <Box as="span" color="action" textDecoration="underline">
      {label}
    </Box>
  </a>
);
