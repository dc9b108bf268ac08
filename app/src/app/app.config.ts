import { type ApplicationConfig, isDevMode, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { routes } from './app.routes';
import { WorkbenchEffects } from './state/effects';
import { workbench } from './state/reducer';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideRouter(routes, withComponentInputBinding()),
    provideStore(
      { [workbench.name]: workbench.reducer },
      { runtimeChecks: { strictStateImmutability: isDevMode(), strictActionImmutability: isDevMode() } },
    ),
    provideEffects(WorkbenchEffects),
    WorkbenchEffects,
  ],
};
