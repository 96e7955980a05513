'use client';
import { Box } from '@chakra-ui/react';
import { findings, type Finding } from '@/core/procedure/vocabulary';
import { Dialog } from '@/ui/base/Dialog';
import { KeyButton } from '@/ui/keys/KeyButton';
import { KeyLayer } from '@/ui/keys/KeysProvider';
import { findingNames } from '@/words/say/names';
import * as words from '@/words/catalogue/benchLater';

/** What came to light inside: one key, and the rest of the sheet is planned with it. */
export function FoundDialog({
  known,
  onClose,
  onFound,
  onHot,
}: {
  readonly known: readonly Finding[];
  readonly onClose: () => void;
  readonly onFound: (finding: Finding) => void;
  /** It burns soon: no sheet and no question first. */
  readonly onHot: () => void;
}) {
  return (
    <KeyLayer>
      <Dialog title={words.whatDidYouFind()} onClose={onClose}>
        <Box display="grid" gap="8px">
          {findings.map((finding, index) => (
            <KeyButton
              records
              key={finding}
              keyName={String(index + 1)}
              label={known.includes(finding) ? words.known({ finding: findingNames[finding] }) : findingNames[finding]}
              look="outline"
              justifyContent="flex-start"
              isEnabled={!known.includes(finding)}
              onPress={() => {
                onFound(finding);
                onClose();
              }}
            />
          ))}
          <KeyButton
            records
            keyName="9"
            label={words.hotSmellingOrPuncturedTo()}
            look="danger"
            justifyContent="flex-start"
            mt="8px"
            onPress={() => {
              onHot();
              onClose();
            }}
          />
        </Box>
      </Dialog>
    </KeyLayer>
  );
}
