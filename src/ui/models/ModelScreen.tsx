'use client';
import * as counts from '@/words/catalogue/counts';
import { Box } from '@chakra-ui/react';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import type { Model } from '@/core/procedure/model';
import { screwName } from '@/core/procedure/drives';
import { screwGroups } from '@/core/screws/screwGroups';
import type { Refusal } from '@/core/shared/outcome';
import type { ModelPageView } from '@/services/models/readModelPage';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { Tabs } from '@/ui/keys/Tabs';
import { KeyButton } from '@/ui/keys/KeyButton';
import { Refused } from '@/ui/base/Refused';
import { OrderTab } from './OrderTab';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/models';

/** What is not shown first comes when its tab is opened. */
const GraphTab = dynamic(() => import('./GraphTab').then((module) => module.GraphTab));
const ChecksTab = dynamic(() => import('./ChecksTab').then((module) => module.ChecksTab));
const HistoryTab = dynamic(() => import('./HistoryTab').then((module) => module.HistoryTab));

const tabs = [
  { id: 'order', key: '1', label: words.teardown() },
  { id: 'graph', key: '2', label: words.procedure() },
  { id: 'checks', key: '3', label: words.checks() },
  { id: 'history', key: '4', label: words.history() },
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
            {words.version3({ version: model.version })}
          </Box>
        </Headline>
      </Box>
      <Tabs
        label={words.viewsModel()}
        open={tab}
        onOpen={setTab}
        tabs={tabs.map(({ id, key, label }) => ({
          id,
          key,
          label: id === 'checks' && problems.length > 0 ? `${label}: ${problems.length}` : label,
          content: () => {
            if (id === 'order') return <OrderTab model={model} />;
            if (id === 'graph') return <GraphTab model={model} />;
            if (id === 'checks') return <ChecksTab problems={problems} />;
            return <HistoryTab modelId={model.id} versions={versions} />;
          },
        }))}
      />
    </Box>
  );
}

/** What stands in one line beside the keys. */
const shownKinds = 3;

function leadOf({ parts, operations, joints }: Model): string {
  const groups = screwGroups(joints).filter(({ kind }) => kind === 'screw');
  const count = groups.reduce((sum, group) => sum + group.count, 0);
  const kinds = groups.slice(0, shownKinds).map((group) => `${group.count} × ${screwName(group)}`);
  const rest = groups.length > shownKinds ? [counts.kindsMore({ count: groups.length - shownKinds })] : [];
  return counts.modelInShort({
    parts: parts.length,
    operations: operations.length,
    screws: count,
    kinds: [...kinds, ...rest],
  });
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
    <Box display="flex" flexWrap={{ base: 'wrap', md: 'nowrap' }} gap="16px" alignItems="center">
      {refusal && (
        <Caution what={words.noDraft()}>
          <Refused refusal={refusal} />
        </Caution>
      )}
      <DownloadLink href={`/api/models/${model.id}`} name={words.json2({ id: model.id })} label={words.document()} />
      <DownloadLink
        href={`/api/models/${model.id}/graph`}
        name={words.graphml({ id: model.id })}
        label={words.graphml2()}
      />
      <KeyButton
        keyName="p"
        label={words.whatPays()}
        look="outline"
        size="small"
        onPress={() => router.push(`/models/${model.id}/plan`)}
      />
      {mayRehearse && (
        <KeyButton
          keyName="h"
          label={words.rehearse()}
          size="small"
          onPress={() => router.push(`/models/${model.id}/rehearse`)}
        />
      )}
      {mayWrite && (
        <KeyButton keyName="e" label={words.edit()} look="action" size="small" onPress={() => void edit()} />
      )}
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
