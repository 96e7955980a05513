import { defineSemanticTokens } from '@chakra-ui/react';

const pair = (day: string, night: string) => ({ value: { base: day, _dark: night } });

/** Paper by day, bench lamp by night. Components name these and never a colour. */
export const semanticColors = defineSemanticTokens.colors({
  paper: pair('#F4EEE2', '#11181A'),
  sheet: pair('#FFFCF5', '#1A2426'),
  sunk: pair('#EBE3D3', '#0C1213'),
  ink: pair('#1B2A2B', '#EDE7D9'),
  inkMuted: pair('#55625F', '#A3ADA8'),
  rule: pair('#D8CDB8', '#2E3C3D'),
  rulerStretch: pair('#E6DDCB', '#27343A'),
  rulerScrap: pair('#F3D9D2', '#45282A'),
  action: pair('#0E5A5C', '#7ACBBF'),
  onAction: pair('#FFFCF5', '#0B1A1A'),
  actionSoft: pair('#D9E8E3', '#1E3A3A'),
  twine: pair('#A9783A', '#CF9F5C'),
  danger: pair('#A2351F', '#F08A70'),
  onDanger: pair('#FFFCF5', '#2A0F08'),
  dangerSoft: pair('#F5DED5', '#3D211B'),
  waiting: pair('#7A5800', '#E4BE55'),
  waitingSoft: pair('#F4E6BD', '#3A2F12'),
  sound: pair('#3B6636', '#9CC98F'),
  soundSoft: pair('#DFEAD6', '#20331F'),
});
