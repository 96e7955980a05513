export type Severity = 'error' | 'warning';

/** Every rule of the checker: what it finds, and whether a model may be published with it. */
export const rules = {
  // structure
  'double-id': { severity: 'error', finds: 'one id for two things' },
  'dangling-id': { severity: 'error', finds: 'an id that names nothing' },
  cycle: { severity: 'error', finds: 'operations that wait for each other' },
  unreachable: { severity: 'error', finds: 'an operation that can never be done' },
  'never-freed': { severity: 'error', finds: 'a part that no operation frees' },
  'still-held': { severity: 'error', finds: 'a part freed while a joint still holds it' },
  'opened-twice': { severity: 'error', finds: 'a joint opened while it is open' },
  'closed-twice': { severity: 'error', finds: 'a joint closed while it is closed' },
  'freed-twice': { severity: 'error', finds: 'a part freed while it is out' },
  'refit-not-out': { severity: 'error', finds: 'a part laid back that is not out' },
  'motion-blocked': { severity: 'error', finds: 'a motion with a part in its way' },
  'posture-impossible': { severity: 'error', finds: 'a posture that cannot be taken then' },
  'chances-sum': { severity: 'error', finds: 'ends whose chances do not sum to 1' },
  'times-order': { severity: 'error', finds: 'minutes not low ≤ likely ≤ high' },
  'text-missing': { severity: 'error', finds: 'a name or title that is empty' },
  markup: { severity: 'error', finds: 'markup or control characters in a text' },
  'outside-face': { severity: 'error', finds: 'something drawn outside its face' },
  implausible: { severity: 'warning', finds: 'a figure that looks like another unit' },
  // order
  'power-first': { severity: 'error', finds: 'board or cable work before the power is off' },
  'source-uncounted': { severity: 'error', finds: 'a power source that is never taken off' },
  'stands-through': { severity: 'error', finds: 'a tray, stylus or card in the way of what moves past it' },
  'lock-shut': { severity: 'error', finds: 'a ribbon drawn before its lock is open' },
  'hidden-joint': { severity: 'error', finds: 'a joint opened under a cap that is still on' },
  'stacked-order': { severity: 'error', finds: 'a fastener opened while one is screwed into its head' },
  'plugged-before-threaded': { severity: 'error', finds: 'a cable plugged before it is through' },
  'stuck-before-plugged': { severity: 'error', finds: 'a cable stuck down before it is plugged' },
  'sealed-before-gate': { severity: 'error', finds: 'a step that seals before its gate' },
  'power-after-gate': { severity: 'error', finds: 'work with the power still on after a gate' },
  'back-circle': { severity: 'error', finds: 'steps of the way back that wait for each other' },
  // balance
  'out-in': { severity: 'error', finds: 'what comes off and does not go back' },
  'no-consumable': { severity: 'error', finds: 'something single-use that nothing renews' },
  'no-transfer-list': { severity: 'error', finds: 'an assembly that does not say what moves to the next one' },
  'bound-apart': { severity: 'error', finds: 'bound parts that could be matched apart' },
  // harm
  'shared-cup': { severity: 'error', finds: 'screws in one cup of which one harms the other’s hole' },
  'too-hot': { severity: 'error', finds: 'heat past the limit of a cell that is still in' },
  'heat-layers': { severity: 'error', finds: 'layers below the heat without one adhesive, or a cell not innermost' },
  'solvent-heat': { severity: 'error', finds: 'solvent before heat without airing' },
  'keep-out': { severity: 'error', finds: 'a tool in a zone where none may go' },
  'metal-unprotected': { severity: 'warning', finds: 'metal outside a protected zone' },
  'metal-at-cell': { severity: 'error', finds: 'metal or a blade at a cell' },
  'no-certificate': { severity: 'error', finds: 'work for certified people without the flag' },
  'no-fixture': { severity: 'error', finds: 'unattended time without a fixture' },
} as const satisfies Readonly<Record<string, { readonly severity: Severity; readonly finds: string }>>;

export type RuleId = keyof typeof rules;
