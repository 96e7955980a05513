'use client';
import { Box, chakra } from '@chakra-ui/react';
import { useState } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { sayCount } from '@/ui/words/amounts';
import { sayRefusal } from '@/ui/words/sentences';

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
    try {
      const response = await fetch('/api/lost-serials', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ serials }),
      });
      const answer = (await response.json()) as { fresh?: number; known?: number; refusal?: Refusal };
      if (answer.refusal) return setSaid(sayRefusal(answer.refusal));
      setSaid(`${sayCount(answer.fresh ?? 0, 'serial')} noted, ${answer.known ?? 0} known already.`);
      setTyped('');
    } catch {
      setSaid(sayRefusal({ reason: 'server-away', facts: {} }));
    }
  };
  return (
    <KeyLayer>
      <Dialog title="Reported lost" onClose={onClose}>
        <Box textStyle="note" mb="8px">
          One serial a line. Units that carry one are kept apart until their owner is found.
        </Box>
        <Lines
          aria-label="Serials reported lost"
          value={typed}
          onChange={(event) => setTyped(event.currentTarget.value)}
          autoFocus
        />
        <Box role="status" minH="22px" textStyle="note" my="8px">
          {said}
        </Box>
        <Button look="action" size="wide" w="100%" disabled={serials.length === 0} onClick={() => void take()}>
          Note {sayCount(serials.length, 'serial')}
        </Button>
      </Dialog>
    </KeyLayer>
  );
}
