// What is used of packages that have no types of their own.

declare module 'pdfkit' {
  export default class PDFDocument {
    constructor(options: { autoFirstPage: boolean; font: null; info: { Title: string; Creator: string } });
    registerFont(name: string, bytes: Uint8Array): this;
    addPage(options: { size: readonly [width: number, height: number]; margin: number }): this;
    end(): void;
  }
}

declare module 'pdfkit/output' {
  import type PDFDocument from 'pdfkit';
  export function toBytes(document: PDFDocument): Promise<Uint8Array<ArrayBuffer>>;
}

declare module 'svg-to-pdfkit' {
  import type PDFDocument from 'pdfkit';
  export default function svgToPdf(
    document: PDFDocument,
    svg: string,
    x: number,
    y: number,
    options: {
      readonly width: number;
      readonly height: number;
      readonly fontCallback: (family: string, isBold: boolean, isItalic: boolean) => string;
      readonly warningCallback: (warning: string) => void;
    },
  ): void;
}
