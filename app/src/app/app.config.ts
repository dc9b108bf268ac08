import { type ApplicationConfig, isDevMode, provideZonelessChangeDetection } from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { RollbackOutline } from '@ant-design/icons-angular/icons';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import { routes } from './app.routes';
import { WorkbenchEffects } from './effects/workbench-effects';
import { workbench } from './state/reducer';

export const appConfig: ApplicationConfig = {
  providers: [
    provideZonelessChangeDetection(),
    provideNzIcons([RollbackOutline]),
    provideRouter(routes, withComponentInputBinding()),
    provideStore(
      { [workbench.name]: workbench.reducer },
      { runtimeChecks: { strictStateImmutability: isDevMode(), strictActionImmutability: isDevMode() } },
    ),
    provideEffects(WorkbenchEffects),
  ],
};
