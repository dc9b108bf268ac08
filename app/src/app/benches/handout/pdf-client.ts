import { DestroyRef, inject, Injectable } from '@angular/core';
import { type Page, type Paper, PDF_FONTS } from '@joined-hands/core/sheets';
import { proxy, type Remote, wrap } from 'comlink';
import type { PdfFonts } from './pdf';
import type { PdfWriter } from './pdf.worker';
import { fontBytes } from './sheet-fonts';

/** Writes pages as PDF in a worker of its own, loaded when the first is asked for. */
@Injectable()
export class PdfClient {
  private worker: Worker | null = null;
  private remote: Remote<PdfWriter> | null = null;
  private fonts: Promise<PdfFonts> | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.letGo());
  }

  /** `drawn` is told how many pages there are so far. Fails where it cannot be loaded, or a page not be drawn. */
  async write(
    title: string,
    pages: readonly Page[],
    paper: Paper,
    drawn: (count: number) => void,
  ): Promise<Uint8Array<ArrayBuffer>> {
    this.fonts ??= loadFonts();
    try {
      const fonts = await this.fonts;
      this.worker ??= new Worker(new URL('./pdf.worker', import.meta.url), { type: 'module' });
      const { worker } = this;
      const remote = (this.remote ??= wrap<PdfWriter>(worker));
      return await new Promise((resolve, reject) => {
        worker.onerror = () => reject(new Error('what writes PDF could not be loaded'));
        const bare = pages.map(({ svg, aspect }) => ({ svg, aspect }));
        remote.pdfOf(title, bare, paper, fonts, proxy(drawn)).then(resolve, reject);
      });
    } catch (error) {
      // What failed once is loaded anew.
      this.fonts = null;
      this.letGo();
      throw error;
    }
  }

  private letGo(): void {
    this.worker?.terminate();
    this.worker = null;
    this.remote = null;
  }
}

async function loadFonts(): Promise<PdfFonts> {
  const loaded = Object.entries(PDF_FONTS).map(
    async ([face, file]) => [face, await fontBytes(file)] as const,
  );
  return Object.fromEntries(await Promise.all(loaded)) as unknown as PdfFonts;
}
