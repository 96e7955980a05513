'use client';
import { Box } from '@chakra-ui/react';
import type { Model } from '@/core/procedure/model';
import type { ModelPart } from '@/core/procedure/parts';
import { money } from '@/words/format';
import { Muted } from './Muted';
import * as words from '@/words/catalogue/models';

/** A part as its author wrote of it: what it is worth, how it is handled, what moves to its replacement. */
export function PartFacts({ model, part }: { readonly model: Model; readonly part: ModelPart }) {
  const nameOf = (id: string) => model.parts.find((other) => other.id === id)?.name ?? id;
  const notes = [
    part.handling,
    part.boundTo && words.worksOnlyWithItsPartner(),
    part.assembly && words.assembly({ assembly: part.assembly }),
    part.seldomSurvives && words.rarelySurvives({ seldomSurvives: part.seldomSurvives }),
    part.hazard?.because,
    part.reusableIf,
    part.heatLimitCelsius !== undefined && words.bearsHeat({ celsius: part.heatLimitCelsius }),
    part.ratedAmpHours !== undefined && words.rated({ ampHours: part.ratedAmpHours }),
    part.cell && words.cellLabel(part.cell),
    part.powerReach && words.powerReach({ reach: part.powerReach.replace('-', '_') }),
    ...(part.transfers ?? []).map(({ part: moved, title, detail, tool, breakage }) =>
      words.movesOver({
        title: title ?? nameOf(moved),
        detail: detail ?? '',
        tool,
        percent: Math.round((breakage ?? 0) * 100),
      }),
    ),
  ].filter(Boolean);
  return (
    <Box pt="6px">
      <Box display="flex" justifyContent="space-between" gap="10px">
        <span>{part.name}</span>
        <Box as="span" color="inkMuted">
          {part.valueCents ? `A ${money(part.valueCents.A)} · B ${money(part.valueCents.B)}` : words.noValueAlone()}
        </Box>
      </Box>
      {notes.length > 0 && <Muted>{notes.join(' ')}</Muted>}
    </Box>
  );
}
