'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { WorkBench } from '@/core/people/benches';
import { roles } from '@/core/people/roles';
import type { Member, MemberDetails } from '@/core/people/roster';
import { changedFields } from '@/core/people/shopChange';
import type { Refusal } from '@/core/shared/outcome';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Input, Select } from '@/ui/base/Input';
import { KeyButton } from '@/ui/keys/KeyButton';
import { send } from '@/ui/server/send';
import { roleMays, roleNames } from '@/words/say/names';
import { atFault } from '@/ui/base/atFault';
import { RefusalAlert } from '@/ui/base/RefusalAlert';
import * as words from '@/words/catalogue/people';
import type { NewPin } from './PinSlip';

const nobody: MemberDetails = {
  name: '',
  role: 'technician',
  usualBench: null,
  certifiedUntil: null,
  hasLeft: false,
};

const detailsOf = ({ name, role, usualBench, certifiedUntil, hasLeft }: MemberDetails): MemberDetails => ({
  name,
  role,
  usualBench,
  certifiedUntil,
  hasLeft,
});

/** What is said of one person, or of somebody new; a PIN is shown once, where it was made. */
export function MemberPanel({
  member,
  benches,
  isSelf,
  onAdded,
  onPin,
}: {
  readonly member: Member | null;
  readonly benches: readonly WorkBench[];
  readonly isSelf: boolean;
  readonly onAdded: (id: string) => void;
  readonly onPin: (made: NewPin) => void;
}) {
  const router = useRouter();
  const standing = member ? detailsOf(member) : nobody;
  // Only what was changed here: what another lead changes meanwhile shows through.
  const [edited, setEdited] = useState<Partial<MemberDetails>>({});
  const [refusal, setRefusal] = useState<Refusal | null>(null);
  const [isBusy, start] = useTransition();
  const details = { ...standing, ...edited };
  const isChanged = changedFields(standing, details).length > 0;
  const edit = (change: Partial<MemberDetails>) => {
    setRefusal(null);
    setEdited((before) => ({ ...before, ...change }));
  };
  const save = (change: Partial<MemberDetails> = {}) =>
    start(async () => {
      const { hasLeft, ...said } = { ...details, ...change };
      const outcome = member
        ? await send<{ version: number }>('PUT', `/api/people/${member.id}`, {
            ...said,
            hasLeft,
            expects: member.version,
          })
        : await send<{ id: string; pin: string }>('POST', '/api/people', said);
      setRefusal(outcome.ok ? null : outcome.refusal);
      if (outcome.ok) setEdited({});
      if (outcome.ok && 'pin' in outcome.value) {
        onPin({ name: said.name.trim(), pin: outcome.value.pin });
        onAdded(outcome.value.id);
      }
      router.refresh();
    });
  const renew = () =>
    start(async () => {
      if (!member) return;
      const outcome = await send<{ pin: string }>('POST', `/api/people/${member.id}/pin`);
      if (outcome.ok) onPin({ name: member.name, pin: outcome.value.pin });
      else setRefusal(outcome.refusal);
      router.refresh();
    });
  return (
    <>
      <Box as="h2" textStyle="figure">
        {member ? member.name : words.somebodyNew()}
      </Box>
      <Field label={words.name()}>
        <Input
          {...atFault(refusal, 'name')}
          value={details.name}
          maxLength={60}
          autoComplete="off"
          autoFocus={member === null}
          onChange={({ currentTarget: { value } }) => edit({ name: value })}
          onKeyDown={({ key, currentTarget }) => (key === 'Enter' || key === 'Escape') && currentTarget.blur()}
        />
      </Field>
      <Box role="group" aria-label={words.role()} display="grid" gap="6px">
        <Box as="span" textStyle="section">
          {words.role()}
        </Box>
        {roles.map((role) => (
          <Button
            key={role}
            size="small"
            look={role === details.role ? 'action' : 'quiet'}
            aria-pressed={role === details.role}
            justifyContent="flex-start"
            onClick={() => edit({ role })}
          >
            <Box as="span" w="84px">
              {roleNames[role]}
            </Box>
            <Box as="span" textStyle="caption" fontWeight="400">
              {roleMays[role]}
            </Box>
          </Button>
        ))}
      </Box>
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="12px">
        <Field label={words.usualBench()}>
          <Select
            value={details.usualBench ?? ''}
            onChange={({ currentTarget: { value } }) => edit({ usualBench: value || null })}
          >
            <option value="">{words.noBench()}</option>
            {benches
              .filter(({ id, isInUse }) => isInUse || id === details.usualBench)
              .map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
          </Select>
        </Field>
        <Field label={words.certificateUntil()}>
          <Input
            {...atFault(refusal, 'certifiedUntil')}
            type="date"
            value={details.certifiedUntil ?? ''}
            onChange={({ currentTarget: { value } }) => edit({ certifiedUntil: value || null })}
          />
        </Field>
      </Box>
      <Box textStyle="note" color="inkMuted">
        {words.certificateSays()}
      </Box>
      <RefusalAlert refusal={refusal} />
      <Box mt="auto" display="grid" gap="10px">
        {member && (
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="10px">
            <KeyButton keyName="p" label={words.newPin()} size="small" isEnabled={!isBusy} onPress={renew} />
            {member.hasLeft ? (
              <KeyButton
                keyName="c"
                label={words.comesBack()}
                size="small"
                isEnabled={!isBusy}
                onPress={() => save({ hasLeft: false })}
              />
            ) : (
              <KeyButton
                keyName="x"
                label={words.leaves()}
                look="danger"
                size="small"
                isEnabled={!isBusy && !isSelf}
                onPress={() => save({ hasLeft: true })}
              />
            )}
          </Box>
        )}
        <KeyButton
          keyName=" "
          label={member ? words.saveChanges() : words.addAndShowPin()}
          look="action"
          size="wide"
          isEnabled={isChanged && details.name.trim() !== '' && !isBusy}
          onPress={() => save()}
        />
      </Box>
    </>
  );
}
