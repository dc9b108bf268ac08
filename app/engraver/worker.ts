import { expose } from 'comlink';
import { VerovioToolkit } from 'verovio/esm';
import createModule from 'verovio/wasm';
import { engrave, type Engraver, type Toolkit } from '../src/app/notation/engraving';

// A worker of its own: the engraver is large, and its script alone may compile WebAssembly (see server/app.ts).

let toolkit: Promise<Toolkit> | null = null;

const engraver: Engraver = {
  async systems(score, look, drawn) {
    toolkit ??= createModule().then((module) => new VerovioToolkit(module));
    const systems: Awaited<ReturnType<Engraver['systems']>> = [];
    for (const system of engrave(await toolkit, score, look)) {
      systems.push(system);
      drawn(systems.length);
    }
    return systems;
  },
};

expose(engraver);
