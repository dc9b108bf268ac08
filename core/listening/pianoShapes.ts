import { KeyShapes } from './keyShapes';
import { SHAPES } from './shapesOfPiano';
import { BANDS } from './spectrum';

/** The signs a value is written with, from nothing to the loudest: such as need no quoting. */
export const VALUES = Array.from({ length: 86 }, (_, i) =>
  String.fromCharCode(i < 52 ? 40 + i : 41 + i),
).join('');

/** The sound of a piano's keys, from the samples that ship. */
export function pianoShapes(): KeyShapes {
  const shapes: Float32Array[] = [];
  for (let from = 0; from < SHAPES.length; from += BANDS) {
    const shape = Float32Array.from({ length: BANDS }, (_, band) => VALUES.indexOf(SHAPES[from + band]));
    const length = Math.hypot(...shape);
    shapes.push(shape.map((value) => value / length));
  }
  return new KeyShapes(shapes);
}
