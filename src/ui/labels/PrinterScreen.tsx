'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import type { PrinterView } from '@/services/labels/readPrinter';
import { Caution } from '@/ui/base/Caution';
import { Headline } from '@/ui/base/Headline';
import { KeyButton } from '@/ui/keys/KeyButton';
import { useRefresher } from '@/ui/live/useRefresher';
import { send } from '@/ui/server/send';
import { clock } from '@/words/format';
import * as words from '@/words/catalogue/labels';

const looksEveryMs = 3000;

/** The labels that wait, as they will come out, and the printers that ask for them. */
export function PrinterScreen({ view }: { readonly view: PrinterView }) {
  const router = useRouter();
  const refresher = useRefresher();
  const [said, setSaid] = useState<string | null>(null);
  const { jobs, total, printers } = view;
  // A printer takes labels without any fact of the shop.
  useEffect(() => {
    const timer = setInterval(() => refresher.news(looksEveryMs), looksEveryMs);
    return () => clearInterval(timer);
  }, [refresher]);
  const note = async () => {
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
  const isAll = jobs.length === total;
  return (
    <Box p="24px 28px">
      <Headline
        lead={words.whenLabelsWait()}
        aside={<KeyButton keyName="Escape" label={words.triage()} onPress={() => router.push('/triage')} />}
      >
        {total === 0 ? words.allLabelsArePrinted() : words.noLabelsToPrint({ total })}
      </Headline>
      <Box mb="14px" role="status">
        {printers.length === 0 && <Box color="inkMuted">{words.noPrinterAsks()}</Box>}
        {printers.map(({ name, askedAt, trouble, isSimulated }) => (
          <Box key={name} color={trouble ? 'danger' : undefined} fontWeight={trouble ? '600' : undefined}>
            {words.printerAsked({
              name,
              time: clock(askedAt),
              isSimulated: isSimulated ? 'yes' : 'no',
              trouble: trouble === null ? 'none' : trouble.replace('-', '_'),
            })}
          </Box>
        ))}
      </Box>
      <Box display="flex" gap="10px" mb="18px">
        <KeyButton
          keyName="p"
          label={words.openPdf({ jobs: isAll ? words.them() : words.firstShown({ jobs: jobs.length }) })}
          look={printers.length === 0 ? 'action' : 'outline'}
          isEnabled={jobs.length > 0}
          onPress={() => window.open('/api/label-jobs/waiting.pdf')}
        />
        <KeyButton
          keyName=" "
          label={words.cameOut({ jobs: isAll ? words.they() : words.theFirst({ jobs: jobs.length }) })}
          isEnabled={jobs.length > 0}
          onPress={() => void note()}
        />
      </Box>
      {said && <Caution what={words.notNoted()}>{said}</Caution>}
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
