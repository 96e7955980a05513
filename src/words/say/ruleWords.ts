import {
  perWritten,
  type RuleField,
  type RuleId,
  type RuleKind,
  type RuleRowId,
  type RuleSection,
  type RuleValue,
} from '@/core/rules/ruleFields';
import { grades } from '@/core/shared/grades';
import type { AttributeId } from '@/core/grading/attributes';
import * as words from '@/words/catalogue/rules';
import { capital, list, money, number } from '@/words/format';
import { attributeHows, attributeNames, choiceName } from './attributes';
import { writeNumber } from './readNumber';

export const ruleSectionNames: Readonly<Record<RuleSection, string>> = {
  shop: words.sectionShop(),
  schools: words.sectionSchools(),
  grading: words.sectionGrading(),
  tools: words.sectionTools(),
  money: words.sectionMoney(),
  times: words.sectionTimes(),
  screws: words.sectionScrews(),
  safety: words.sectionSafety(),
  expectations: words.sectionExpectations(),
};

interface RuleWords {
  readonly name: string;
  readonly says: string;
}

type Grading = `gradingLimits.${string}` | `gradingChoices.${string}`;

const named: Readonly<Record<Exclude<RuleId | RuleRowId, Grading>, RuleWords>> = {
  'shop.name': { name: words.shopName(), says: words.shopNameSays() },
  'shop.address': { name: words.shopAddress(), says: words.shopAddressSays() },
  'shop.currency': { name: words.shopCurrency(), says: words.shopCurrencySays() },
  'shop.language': { name: words.shopLanguage(), says: words.shopLanguageSays() },
  'shop.timeZone': { name: words.shopTimeZone(), says: words.shopTimeZoneSays() },
  'label.widthMm': { name: words.labelWidth(), says: words.labelWidthSays() },
  'label.heightMm': { name: words.labelHeight(), says: words.labelHeightSays() },
  'sessions.idleMinutes': { name: words.idleMinutes(), says: words.idleMinutesSays() },
  'sessions.longestHours': { name: words.longestHours(), says: words.longestHoursSays() },
  'selling.feeShare': { name: words.sellingFee(), says: words.sellingFeeSays() },
  'selling.perUnitCents': { name: words.sellingUnit(), says: words.sellingUnitSays() },
  'manyAlike.after': { name: words.manyAlikeAfter(), says: words.manyAlikeAfterSays() },
  'manyAlike.lessShare': { name: words.manyAlikeLess(), says: words.manyAlikeLessSays() },
  'fixtures.clamp': { name: words.clamps(), says: words.fixtureSays() },
  'fixtures.hot plate': { name: words.hotPlates(), says: words.fixtureSays() },
  'fixtures.charger': { name: words.chargers(), says: words.fixtureSays() },
  'fixtures.analyser': { name: words.analysers(), says: words.fixtureSays() },
  missingTools: { name: words.missingTools(), says: words.missingToolsSays() },
  labourCentsPerMinute: { name: words.labour(), says: words.labourSays() },
  purchaseFactor: { name: words.purchase(), says: words.purchaseSays() },
  asIsShare: { name: words.asIs(), says: words.asIsSays() },
  recycleCents: { name: words.recycle(), says: words.recycleSays() },
  monthlyLoss: { name: words.monthlyLoss(), says: words.monthlyLossSays() },
  surplusShare: { name: words.surplus(), says: words.surplusSays() },
  toolChangeMinutes: { name: words.toolChange(), says: words.toolChangeSays() },
  turnMinutes: { name: words.turn(), says: words.turnSays() },
  moveMinutes: { name: words.move(), says: words.moveSays() },
  handOverMinutes: { name: words.handOver(), says: words.handOverSays() },
  screwsIn: { name: words.screws(), says: words.screwsSays() },
  trayCups: { name: words.cups(), says: words.cupsSays() },
  isRehearsalAsked: { name: words.rehearsal(), says: words.rehearsalSays() },
  isCertificateAsked: { name: words.certificate(), says: words.certificateSays() },
  roomCelsius: { name: words.room(), says: words.roomSays() },
  'schools.batteryPlug': { name: words.batteryPlug(), says: words.batteryPlugSays() },
  'schools.prying': { name: words.prying(), says: words.pryingSays() },
  'schools.warming': { name: words.warming(), says: words.warmingSays() },
  'schools.gluing': { name: words.gluing(), says: words.gluingSays() },
  'schools.torque': { name: words.torque(), says: words.torqueSays() },
  'schools.usedOnce': { name: words.usedOnce(), says: words.usedOnceSays() },
  'schools.howFar': { name: words.howFar(), says: words.howFarSays() },
  classLimits: { name: words.classLimits(), says: words.classLimitsSays() },
  gradeMix: { name: words.mixOf(), says: words.mixSays() },
  'gradeMix.A': { name: words.mix({ grade: 'A' }), says: words.mixSays() },
  'gradeMix.B': { name: words.mix({ grade: 'B' }), says: words.mixSays() },
  'gradeMix.C': { name: words.mix({ grade: 'C' }), says: words.mixSays() },
  'gradeMix.D': { name: words.mix({ grade: 'D' }), says: words.mixSays() },
  'saleGradeShift.better': { name: words.better(), says: words.betterSays() },
  'saleGradeShift.worse': { name: words.worse(), says: words.worseSays() },
};

/** What a row of rules is called, and what it changes. */
export function ruleRowWords({ id, row }: RuleField): RuleWords {
  const attribute = attributeOf(id);
  if (attribute) return { name: capital(attributeNames[attribute]), says: attributeHows[attribute] };
  return named[(row ?? id) as keyof typeof named];
}

/** The attribute that a rule of grading is about. */
const attributeOf = (id: RuleId): AttributeId | undefined =>
  /^grading(Limits|Choices)\./.test(id) ? (id.split('.')[1] as AttributeId) : undefined;

/** What one rule is called; one of a row by its row and its grade. */
export function ruleName({ id, row }: RuleField): string {
  const attribute = attributeOf(id);
  const last = id.split('.').at(-1) ?? '';
  if (attribute === undefined || row === undefined) return named[id as keyof typeof named].name;
  const name = capital(attributeNames[attribute]);
  return id.startsWith('gradingLimits')
    ? words.limitOf({ name, grade: last })
    : words.choiceOf({ name, choice: choiceName(attribute, last) });
}

export const ruleChoiceNames: Readonly<Record<string, string>> = {
  first: words.batteryPlugFirst(),
  'when-touched': words.batteryPlugWhenTouched(),
  'as-written': words.asWritten(),
  plastic: words.pryingPlastic(),
  'hot plate': words.hotPlate(),
  'hot air': words.hotAir(),
  dryer: words.dryer(),
  'tape-and-gel': words.tapeAndGel(),
  liquid: words.liquid(),
  driver: words.torqueDriver(),
  feel: words.torqueFeel(),
  ask: words.usedOnceAsk(),
  renew: words.usedOnceRenew(),
  pays: words.howFarPays(),
  wanted: words.howFarWanted(),
  everything: words.howFarEverything(),
  tray: words.screwsTray(),
  mat: words.screwsMat(),
  piles: words.screwsPiles(),
  ...Object.fromEntries(grades.map((grade) => [grade, grade])),
  yes: words.yes(),
  no: words.no(),
};

/** What stands behind the figure in its field. */
export const ruleUnits: Readonly<Record<RuleKind['is'], string>> = {
  text: '',
  names: '',
  'class-limits': '',
  choice: '',
  number: '',
  money: '',
  share: words.percent(),
  minutes: words.minutesUnit(),
  celsius: words.celsius(),
  millimetres: words.millimetres(),
};

/** A rule's value as it is typed: without its unit, and as this shop writes numbers. */
export function writeRule({ is }: RuleKind, value: RuleValue): string {
  if (typeof value !== 'number') return value === null ? '' : String(value);
  if (is === 'text' || is === 'choice' || is === 'names' || is === 'class-limits') return String(value);
  const written = Math.round((value / perWritten[is]) * 1e4) / 1e4;
  return is === 'money' ? written.toFixed(2).replace('.', writeNumber(0.5).charAt(1)) : writeNumber(written);
}

function sayClassLimits(line: string): string {
  const [interchange = '', attribute = '', ...limits] = line.split(' ');
  const name = attributeNames[attribute as AttributeId];
  return words.classLimitsOf({ interchange, name, limits: limits.map((limit) => number(Number(limit))).join(' · ') });
}

/** A rule's value as a sentence says it. */
export function sayRule(kind: RuleKind, value: RuleValue): string {
  if (value === null || value === '') return words.nothing();
  if (kind.is === 'choice') return ruleChoiceNames[String(value)] ?? String(value);
  if (kind.is === 'names') return list(String(value).split('\n'));
  if (kind.is === 'class-limits') return list(String(value).split('\n').map(sayClassLimits));
  if (typeof value !== 'number' || kind.is === 'text') return String(value);
  if (kind.is === 'money') return money(value);
  return words.valueWithUnit({ value: number(value / perWritten[kind.is]), unit: ruleUnits[kind.is] }).trim();
}
