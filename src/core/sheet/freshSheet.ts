import { sheetRulesOf, startingHouseRules } from '@/core/shared/houseRules';
import type { SheetState } from '../entities/entities';

/** A sheet on which nothing has happened: what a new one begins with, and what an older one had not yet. */
export const freshSheet = {
  doneStepIds: [],
  partTroubles: [],
  screwTroubles: [],
  resistances: [],
  keeping: 'tray',
  rules: sheetRulesOf(startingHouseRules),
  kept: [],
  barred: [],
  again: [],
  skipped: [],
  torques: [],
  reused: [],
  heatLockedUntil: null,
  isHalted: false,
  isClosed: false,
} as const satisfies Omit<SheetState, 'kind' | 'targets' | 'findings' | 'stepIds'>;
