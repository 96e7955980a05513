'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useState } from 'react';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { sayLater } from '@/ui/base/Refused';
import { send } from '@/ui/server/send';
import * as words from '@/words/catalogue/apart';

const Lines = chakra('textarea', {
  base: {
    w: '100%',
    minH: '160px',
    p: '10px',
    bg: 'sheet',
    color: 'ink',
    borderWidth: '1px',
    borderStyle: 'solid',
    borderColor: 'rule',
    fontFamily: 'mono',
    fontSize: '16px',
  },
});

/** Serials that were reported lost, one a line, pasted or scanned. What was typed stays until it is taken. */
export function ReportLost({ onClose }: { readonly onClose: () => void }) {
  const [typed, setTyped] = useState('');
  const [said, setSaid] = useState<string | null>(null);
  const serials = typed.split(/[\n,;]+/).flatMap((line) => (line.trim() === '' ? [] : [line.trim()]));
  const take = async () => {
    const outcome = await send<{ fresh: number; known: number }>('POST', '/api/lost-serials', { serials });
    if (!outcome.ok) return setSaid(await sayLater(outcome.refusal));
    setSaid(words.serialAddedAlreadyKnown(outcome.value));
    setTyped('');
  };
  return (
    <KeyLayer>
      <Dialog title={words.reportedLost()} onClose={onClose}>
        <Box textStyle="note" mb="8px">
          {words.oneSerialPerLineUnits()}
        </Box>
        <Lines
          aria-label={words.serialsReportedLost()}
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value)}
          autoFocus
        />
        <Box role="status" minH="22px" textStyle="note" my="8px">
          {said}
        </Box>
        <Button look="action" size="wide" w="100%" disabled={serials.length === 0} onClick={() => void take()}>
          {words.addSerial({ serials: serials.length })}
        </Button>
      </Dialog>
    </KeyLayer>
  );
}
