import { inject, type Signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { filter, map } from 'rxjs';

/** The address shown, following the router. Call where injection is possible. */
export function currentUrl(): Signal<string> {
  const router = inject(Router);
  const ended = router.events.pipe(
    filter((e) => e instanceof NavigationEnd),
    map((e) => e.urlAfterRedirects),
  );
  return toSignal(ended, { initialValue: router.url });
}
