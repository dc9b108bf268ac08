import { Injector, type Type, ɵINJECTOR_SCOPE } from '@angular/core';

/** A store over the browser's database, as a page just opened has it. */
export function stored<T>(store: Type<T>): T {
  return Injector.create({ providers: [{ provide: ɵINJECTOR_SCOPE, useValue: 'root' }] }).get(store);
}
