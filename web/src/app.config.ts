import { provideHttpClient, withInterceptors } from '@angular/common/http';
import {
  type ApplicationConfig,
  inject,
  isDevMode,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideServiceWorker } from '@angular/service-worker';
import { take } from 'rxjs';
import { SHOWN_ONCE_LEFT } from './controls/field';
import { routes } from './app.routes';
import { withConnection } from './stores/connection';
import { SessionStore, withSession } from './stores/session.store';

export const appConfig: ApplicationConfig = {
  providers: [
    SHOWN_ONCE_LEFT,
    provideZonelessChangeDetection(),
    provideBrowserGlobalErrorListeners(),
    provideRouter(routes, withComponentInputBinding()),
    provideHttpClient(withInterceptors([withConnection, withSession])),
    // Only for staff: an owner's page is for a look, and takes nothing onto their device.
    provideServiceWorker('ngsw-worker.js', {
      enabled: !isDevMode(),
      registrationStrategy: () => inject(SessionStore).signedIn$.pipe(take(1)),
    }),
  ],
};
