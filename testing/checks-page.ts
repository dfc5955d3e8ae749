import { CHECKS, type Check } from '@plain-cleat/core/checks/findings';

const ABOUT: Readonly<Record<Check['about'], string>> = {
  set: 'Of each set: what stands aboard together',
  rig: 'Of the rig as a whole',
  lines: 'Of its lines',
};

const accepts = { anyone: 'anyone', manager: 'a manager', nobody: 'nobody' } as const;

function rows(about: Check['about']): string[] {
  const kinds = CHECKS.filter((c) => c.about === about).flatMap(({ finds, ofBody }) =>
    Object.values(finds).map((kind) => ({ ...kind, ofBody })),
  );
  return [...new Map(kinds.map((kind) => [kind.called, kind])).values()]
    .sort((a, b) => a.called.localeCompare(b.called))
    .map(({ called, severity, acceptedBy = 'anyone', decides = 'whoever works at its step', ofBody, since }) =>
      ['', called, [severity].flat().join(' or '), accepts[acceptedBy], decides, ofBody ? 'yes' : '', since, '']
        .join(' | ')
        .trim(),
    );
}

/** Everything that is checked, as the checks describe themselves: a page of the docs. */
export const checksPage = (): string =>
  [
    '# What is checked',
    '',
    'Written from the checks themselves by `npm run checks`. A body’s checks are left out when its figures are not kept; since is the version of the rig file with which a check came.',
    ...(['set', 'rig', 'lines'] as const).flatMap((about) => [
      '',
      `## ${ABOUT[about]}`,
      '',
      '| what | how bad | who may accept it | who decides | of a body | since |',
      '| --- | --- | --- | --- | --- | --- |',
      ...rows(about),
    ]),
    '',
  ].join('\n');
