'use client';
import * as words from '@/words/catalogue/line';
import { PageLinks } from './PageLinks';

const pages = [
  ['/rules', words.houseRulesShort()],
  ['/rules/grading', words.gradingShort()],
  ['/prices', words.pricesShort()],
  ['/people', words.peopleShort()],
  ['/shelf/racks', words.racksShort()],
  ['/contacts', words.contactsShort()],
  ['/exports', words.exportsShort()],
  ['/machine', words.machineShort()],
] as const;

/** The pages on which leads set up their shop. */
export const LeadPages = () => <PageLinks label={words.theShop()} pages={pages} mb="14px" />;
