import type { Reason } from '@/core/shared/reasons';
import type { Refusal } from '@/core/shared/outcome';

type Facts = Refusal['facts'];
const by = ({ by: name, bench }: Facts) => (name ? `${name}${bench ? ` (${bench})` : ''}` : 'somebody else');

/** One sentence for every refusal: what happened, what was kept, what to do. docs/errors.md lists the same (tested). */
export const sentences: Readonly<Record<Reason, (facts: Facts) => string>> = {
  'bad-input': ({ field, says }) =>
    `“${field}” was not taken: ${says}. Nothing was changed; mend it and send it again.`,
  'not-signed-in': () => 'You are signed out. What you entered is kept in this browser; sign in and it is sent.',
  'not-permitted': ({ role }) => `A ${role} may not do this. Nothing was changed; ask a lead.`,
  'pin-wrong': ({ left }) => `That PIN is wrong. ${left} tries are left before a pause.`,
  'pin-locked': ({ minutes }) => `Too many wrong PINs. Wait ${minutes} min, then try again, or ask a lead.`,
  'not-found': () =>
    'It is not there any more: somebody took it back or it never was. The page shows what there is now.',
  'unknown-tag': ({ tag }) => `There is no ${tag} in this shop. Check the label, or look in the lists.`,
  'unknown-model': ({ model }) => `The model ${model} is not in the library. Keep the unit apart, or import the model.`,
  stale: (facts) =>
    `${facts.tag} was changed by ${by(facts)} in the meantime. Yours was not taken; the page shows how it is now.`,
  'wrong-stage': ({ tag, stage }) => `${tag} is at “${stage}” now, so this cannot be done to it. Nothing was changed.`,
  'id-reused': () => 'This was sent already under another name. Nothing was changed; reload the page.',
  'undo-too-late': () =>
    'It cannot be taken back any more: something newer stands on it, or it was taken back already.',
  'code-taken': ({ code }) => `“${code}” is taken. Nothing was changed; choose another name or a higher version.`,
  'line-taken': ({ line, tag }) =>
    `Line ${line} of the list has a unit already${tag ? `: ${tag}` : ''}. Choose another line.`,
  'serial-known': ({ serial, tag }) => `Serial ${serial} is on ${tag} in this house. Look at both before you go on.`,
  'not-identified': ({ tag }) => `${tag} has no model yet. Identify it first; what you noted is kept.`,
  'reported-lost': ({ tag, serial }) =>
    `${tag} carries ${serial}, which was reported lost. It may only be kept apart, until its owner agrees.`,
  'account-locked': ({ tag }) => `${tag} is locked to an account. It may only be kept apart until the owner is found.`,
  'not-let-go': ({ tag }) =>
    `${tag} may not leave its place for that reason. It stays apart; settle what it is kept for first.`,
  'not-wiped': ({ tag }) => `${tag} starts and is not wiped. Wipe it first: in pieces it cannot be wiped.`,
  'data-bearing': ({ tag }) =>
    `${tag} may hold personal data and was never wiped. It is not for the shelf: destroy it and scrap it.`,
  'torque-is-force': ({ unit }) =>
    `${unit} is a force, not a torque: at which lever? Write it as N·cm, kgf·cm or in·lbf.`,
  'torque-unreadable': ({ text }) => `“${text}” is no torque. Write a figure and its unit, as 6 N·cm.`,
  'no-worth': () =>
    'Nothing in it has a price, so nothing can pay. Give its parts worths in the model, or pick parts yourself.',
  'targets-unreachable': ({ part }) => `The ${part} cannot be reached in this model as it stands. Choose other parts.`,
  'sheet-halted': ({ tag }) =>
    `${tag} was stopped for a hazard. Nothing goes on until an authorised person says that it is safe.`,
  'heat-locked': ({ minutes }) =>
    `There is solvent in the air: no heat for another ${minutes} min. Air the place and wait.`,
  'wait-running': ({ tag }) => `A timer runs for ${tag} already.`,
  'fixture-taken': ({ fixture, place, tag }) => `${fixture} ${place} holds ${tag}. Take another one.`,
  'rehearse-first': ({ step }) =>
    `“${step}” is for certified people, and you have not passed a rehearsal of it. Nothing was changed. Rehearse it from the model’s page, or hand the unit over.`,
  'torque-open': ({ screw, reading }) =>
    `A ${screw} was read at ${reading} N·cm, outside its limits. Tighten it again, or say that it stays so.`,
  'not-skipped': () =>
    'This step cannot be passed over: a gate, the proof that it is off, or something the rest stands on.',
  'step-not-next': ({ tag }) => `That step of ${tag} is not the one to be done now. The page shows the next one.`,
  'step-done-already': ({ tag }) => `That step of ${tag} is done already. Nothing was counted twice.`,
  'no-further-rung': ({ tag }) =>
    `There is nothing further to try at that step of ${tag}. Hand it over, or stop here; what is done is kept.`,
  'sheet-open': ({ tag }) => `${tag} has a run sheet under way. Finish it, or take its steps back first.`,
  'gate-not-passed': ({ tag }) => `${tag} stands at a gate. Say whether it passed or failed before you go on.`,
  'readings-missing': ({ attribute }) => `“${attribute}” is not read yet. The other readings are kept.`,
  'part-taken': ({ tag }) => `${tag} is not on the shelf any more: another unit has it. Choose the next best.`,
  'not-interchangeable': ({ tag, slot }) =>
    `${tag} does not fit the ${slot} of this model. Choose one of the parts offered.`,
  'slots-open': ({ tag, slot, count }) =>
    `${tag} still needs ${count === 1 ? `a ${slot}` : `${count} parts, the ${slot} first`}. Fill them, then send it on.`,
  'tests-open': ({ tag, count, first }) =>
    `${tag} has ${count} tests that are not passed, “${first}” first. Prove them, then release it.`,
  'file-empty': () => 'The file has no rows under its headings. Nothing was taken; choose another file.',
  'file-unreadable': ({ says }) =>
    `The file cannot be read as a table: ${says}. Nothing was taken; save it as CSV and try again.`,
  'file-too-large': ({ most }) => `The file is larger than ${most}. Nothing was taken; split it and import the pieces.`,
  'columns-missing': ({ columns, found }) =>
    `No column for ${columns} was found among: ${found}. Name the columns in the first line and try again.`,
  'model-invalid': ({ count, place, says, mend }) =>
    `The model was not taken: at ${place}. ${says} ${mend}${Number(count) > 1 ? ` ${Number(count) - 1} more faults.` : ''}`,
  'draft-stale': ({ by: name }) =>
    `${name || 'Somebody'} saved this draft in the meantime. Yours is kept in this browser: keep it as a draft of its own, or take theirs.`,
  'log-empty': () =>
    'Nothing is logged yet, so there is nothing to make a draft of. Log the first step, then try again.',
  'database-away': () =>
    'The database does not answer. What you entered is kept in this browser and is sent when it is back.',
  'server-away': () =>
    'The server does not answer. What you entered is kept in this browser and is sent when it is back.',
  fault: () => 'Something went wrong on the server; it is in its log. What you entered is kept; try again.',
};

export const sayRefusal = ({ reason, facts }: Refusal): string => sentences[reason](facts);
