import { type RigDocument, ROUTES } from '@plain-cleat/api';
import { upcastHull } from '@plain-cleat/core/boat/hull';
import { upcastParts, upcastPlan, upcastShop } from '@plain-cleat/core/rig';
import { catchError, from, map, type Observable, of, switchMap, throwError } from 'rxjs';
import type { Api } from './api';
import { isGone } from './problems';
import type { Tablet } from './tablet';

/** A rig, and of when it is where it is the tablet's own copy. */
interface Found {
  readonly doc: RigDocument;
  readonly copyOf: string | null;
}

/** A copy that an earlier build may have kept, as this one has it. */
const upcast = (doc: RigDocument): RigDocument => ({
  ...doc,
  plan: upcastPlan(doc.plan),
  hull: upcastHull(doc.hull),
  shop: upcastShop(doc.shop),
  catalog: { ...doc.catalog, parts: upcastParts(doc.catalog.parts) },
  range: (doc as Partial<RigDocument>).range ?? '',
});

/** A rig from the server, or while it does not answer as the tablet kept it. */
export const findRig = (id: string, api: Api, tablet: Tablet): Observable<Found> =>
  api.call(ROUTES.rig, { rig: id }).pipe(
    map((doc) => ({ doc, copyOf: null })),
    catchError((error: unknown) =>
      (isGone(error) ? from(tablet.rig(id)) : of(undefined)).pipe(
        switchMap((copy) => (copy ? of({ doc: upcast(copy.doc), copyOf: copy.at }) : throwError(() => error))),
      ),
    ),
  );
