'use client';
import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { readSelfTestCode } from '@/core/selfTest/code';
import { Button } from '@/ui/base/Button';
import { Field } from '@/ui/base/Field';
import { Input } from '@/ui/base/Input';
import * as texts from '@/words/catalogue/selfTest';
import { UnitPage } from './UnitPage';

/** Where a unit under test types the code of its page. */
export function CodeScreen() {
  const router = useRouter();
  const [text, setText] = useState('');
  const [isWrong, setWrong] = useState(false);
  const open = () => {
    const code = readSelfTestCode(text);
    if (code === null) setWrong(true);
    else router.push(`/test/${code}`);
  };
  return (
    <UnitPage title={texts.enterCode()} lead={texts.enterCodeLead()}>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          open();
        }}
      >
        <Box display="grid" gap="14px">
          <Field label={texts.code()}>
            <Input
              data-figures
              autoComplete="off"
              autoCapitalize="characters"
              autoFocus
              aria-invalid={isWrong}
              value={text}
              maxLength={12}
              fontSize="32px"
              h="64px"
              letterSpacing="0.18em"
              onChange={({ currentTarget: { value } }) => {
                setText(value.toUpperCase());
                setWrong(false);
              }}
            />
          </Field>
          <Box role={isWrong ? 'alert' : undefined} color={isWrong ? 'danger' : 'inkMuted'} textStyle="note">
            {texts.codeHasSix()}
          </Box>
          <Button type="submit" look="action" size="wide">
            {texts.openTests()}
          </Button>
        </Box>
      </form>
    </UnitPage>
  );
}
