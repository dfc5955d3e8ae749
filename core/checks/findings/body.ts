import { say } from '../../base/units';
import { check } from './check';
import { aboutHull } from './finding';

/** What was judged of a body that is not kept any more. */
export const bodyNotKept = check({
  about: 'rig',
  finds: {
    'body-not-kept': { called: 'Body figures not kept', severity: 'note', decides: 'the owner', since: 4 },
  },
  judge: ({ hull, plan }) =>
    plan.brief.forgotten
      ? [
          {
            ...aboutHull(hull, hull.model.seat.x),
            step: 'brief',
            code: 'body-not-kept',
            says: say`Body figures are not kept: stroke, casts, reach, legs, sight, floating and load are not judged.`,
            because: say`The owner asked to be forgotten. Ask their height and weight anew to have them judged.`,
          },
        ]
      : [],
});
