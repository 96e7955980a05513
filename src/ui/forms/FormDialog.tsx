'use client';
import { Box } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Dialog } from '@/ui/base/Dialog';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import { KeyLayer } from '@/ui/keys/KeysProvider';

/** What was written into the fields of a form, by their names. */
const writtenIn = (form: FormData) => (field: string) => String(form.get(field) ?? '').trim();

/** A few fields asked for at once in a dialog, with what was wrong with them and the one thing that is done with them. */
export function FormDialog({
  title,
  refusal,
  action,
  isEnabled,
  note,
  onGiven,
  onClose,
  children,
}: {
  readonly title: string;
  readonly refusal: Refusal | null;
  readonly action: string;
  readonly isEnabled: boolean;
  /** Below the fields. */
  readonly note?: ReactNode;
  readonly onGiven: (written: ReturnType<typeof writtenIn>) => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}) {
  return (
    <KeyLayer>
      <Dialog title={title} onClose={onClose}>
        <RefusalAlert refusal={refusal} />
        <form
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            onGiven(writtenIn(new FormData(event.currentTarget)));
          }}
        >
          <Box display="grid" gridTemplateColumns={{ base: '1fr', sm: '1fr 1fr' }} gap="14px">
            {children}
          </Box>
          {note}
          <Button type="submit" look="action" mt="14px" disabled={!isEnabled}>
            {action}
          </Button>
        </form>
      </Dialog>
    </KeyLayer>
  );
}
