import { inject, Pipe, type PipeTransform } from '@angular/core';
import { type OwnWays, Ways } from './own-ways';

const MM_AN_INCH = 25.4;

/** A length as it is told: `inLength(164, 'cm') // => "16.4 cm"`, `inLength(164, 'in') // => "6.5 in"` */
export function inLength(millimetres: number, lengths: OwnWays['lengths']): string {
  return lengths === 'cm'
    ? `${(millimetres / 10).toFixed(1)} cm`
    : `${(millimetres / MM_AN_INCH).toFixed(1)} in`;
}

/** Millimetres in the lengths chosen. */
@Pipe({ name: 'length', pure: false })
export class LengthPipe implements PipeTransform {
  private readonly ways = inject(Ways);
  transform(millimetres: number): string {
    return inLength(millimetres, this.ways.now().lengths);
  }
}
