'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PrinterView } from '@/services/labels/readPrinter';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/labels';

/** The simulated label printer: what it has before it, as it would come out; it can run out of paper. */
export function PrinterScreen({ view }: { readonly view: PrinterView }) {
  const router = useRouter();
  const [hasPaper, setHasPaper] = useState(true);
  const [said, setSaid] = useState<string | null>(null);
  const { jobs, total } = view;
  const print = async () => {
    if (!hasPaper) return setSaid(words.outLabelsNothingWasLost());
    const outcome = await send('POST', '/api/label-jobs', { ids: jobs.map(({ id }) => id) });
    if (outcome.ok) setSaid(null);
    else
      setSaid(
        outcome.refusal.reason === 'server-away'
          ? words.serverDoesNotAnswerLabels()
          : words.serverRejectedLabelsStayIn(),
      );
    router.refresh();
  };
  return (
    <Box p="24px 28px">
      <Headline
        lead={words.simulatedLabelQueuedWhenUnit()}
        aside={<KeyButton keyName="Escape" label={words.triage()} onPress={() => router.push('/triage')} />}
      >
        {total === 0 ? words.allLabelsArePrinted() : words.noLabelsToPrint({ total })}
      </Headline>
      <Box display="flex" gap="10px" mb="18px">
        <KeyButton
          keyName=" "
          label={words.print({ jobs: jobs.length === total ? 'them' : words.firstShown({ jobs: jobs.length }) })}
          look="action"
          size="wide"
          isEnabled={jobs.length > 0}
          onPress={() => void print()}
        />
        <KeyButton
          keyName="p"
          label={words.simulateEmptyRoll({ hasPaper: hasPaper ? 'yes' : 'no' })}
          aria-pressed={!hasPaper}
          onPress={() => setHasPaper((before) => !before)}
        />
      </Box>
      {said && <Caution what={words.notPrinted()}>{said}</Caution>}
      <Box as="ul" display="grid" gridTemplateColumns="repeat(auto-fill, minmax(250px, 1fr))" gap="14px" mt="10px">
        {jobs.map(({ id, tag }) => (
          <li key={id}>
            <chakra.img src={`/api/labels/${tag}.svg`} alt={words.labelFor({ tag })} w="100%" loading="lazy" />
          </li>
        ))}
      </Box>
    </Box>
  );
}
