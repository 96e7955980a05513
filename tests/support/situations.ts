import type { Model } from '@/core/procedure/model';
import type { Situation } from '@/core/procedure/situation';

/** Every revision and configuration: clean, and with each finding, test result and end that the model asks about. */
export function situationsOf(model: Model): readonly Situation[] {
  const conditions = model.operations.flatMap(({ when }) => when ?? []);
  const findings = [
    ...new Set(conditions.flatMap((when) => [...(when.findings ?? []), ...(when.absentFindings ?? [])])),
  ];
  const ends = model.operations.flatMap(({ id, ends: own = [] }) => own.map((end) => [id, end.id] as const));
  const cases: readonly Pick<Situation, 'findings' | 'tests' | 'ended'>[] = [
    { findings: [] },
    ...findings.map((finding) => ({ findings: [finding] })),
    ...conditions.flatMap(({ tests = [] }) =>
      tests.map(({ test, result }) => ({ findings: [], tests: { [test]: result } })),
    ),
    ...ends.map(([operation, end]) => ({ findings: [], ended: new Map([[operation, end]]) })),
  ];
  return model.revisions.flatMap(({ id: revision }) =>
    model.configurations.flatMap(({ id: configuration }) => cases.map((one) => ({ revision, configuration, ...one }))),
  );
}
