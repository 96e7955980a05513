'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PrinterView } from '@/services/labels/readPrinter';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { KeyButton } from '@/ui/keys/KeyButton';
import { startCount } from '@/ui/words/amounts';

/** The simulated label printer: what it has before it, as it would come out; it can run out of paper. */
export function PrinterScreen({ view }: { readonly view: PrinterView }) {
  const router = useRouter();
  const [hasPaper, setHasPaper] = useState(true);
  const [said, setSaid] = useState<string | null>(null);
  const { jobs, total } = view;
  const print = async () => {
    if (!hasPaper) return setSaid('Out of labels. Nothing was lost: put a roll in (P), then print.');
    try {
      const response = await fetch('/api/label-jobs', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ ids: jobs.map(({ id }) => id) }),
      });
      setSaid(response.ok ? null : 'The server did not take it in. The labels stay before the printer.');
    } catch {
      setSaid('The server is away. The labels stay before the printer; try again.');
    }
    router.refresh();
  };
  return (
    <Box p="24px 28px">
      <Headline
        lead="Simulated. A label comes here as each unit is decided and each part comes free; a real printer asks /api/label-jobs."
        aside={<KeyButton keyName="Escape" label="Triage" onPress={() => router.push('/triage')} />}
      >
        {total === 0 ? 'Every label is printed' : `${startCount(total, 'label')} to print`}
      </Headline>
      <Box display="flex" gap="10px" mb="18px">
        <KeyButton
          keyName=" "
          label={`Print ${jobs.length === total ? 'them' : `the first ${jobs.length}`}`}
          look="action"
          size="wide"
          isEnabled={jobs.length > 0}
          onPress={() => void print()}
        />
        <KeyButton
          keyName="p"
          label={hasPaper ? 'Simulate: no more labels' : 'Put a roll in'}
          aria-pressed={!hasPaper}
          onPress={() => setHasPaper((before) => !before)}
        />
      </Box>
      {said && <Caution what="Not printed.">{said}</Caution>}
      <Box as="ul" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(250px, 1fr))" gap="14px" mt="10px">
        {jobs.map(({ id, tag }) => (
          <li key={id}>
            <chakra.img src={`/api/labels/${tag}.svg`} alt={`Label of ${tag}`} w="100%" loading="lazy" />
          </li>
        ))}
      </Box>
    </Box>
  );
}
