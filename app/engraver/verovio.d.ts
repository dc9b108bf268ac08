// The engraver comes without types: only what is asked of it.
declare module 'verovio/wasm' {
  export default function createModule(): Promise<object>;
}
declare module 'verovio/esm' {
  export class VerovioToolkit {
    constructor(module: object);
    setOptions(options: object): void;
    /** 1 where the score could be read. */
    loadData(score: string): number;
    getMEI(options: object): string;
    getPageCount(): number;
    renderToSVG(page: number): string;
  }
}
