import { expose } from 'comlink';
import { pdfOf } from './pdf';

const writer = { pdfOf };
export type PdfWriter = typeof writer;

expose(writer);
