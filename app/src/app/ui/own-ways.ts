import { Injectable, signal } from '@angular/core';
import { NOTE_NAMES } from '@joined-hands/core/music';
import '@joined-hands/core/schemas';
import * as z from 'zod';

const shape = z.object({
  /** As the system is; on paper; in the dark; on a stage, where nothing is bright. */
  look: z.enum(['system', 'light', 'dark', 'stage']).catch('system'),
  letters: z.enum(['usual', 'large']).catch('usual'),
  /** The side on which the panel stands. */
  panel: z.enum(['right', 'left']).catch('right'),
  noteNames: z.enum(NOTE_NAMES).catch('english'),
  lengths: z.enum(['cm', 'in']).catch('cm'),
  /** The MIDI instrument that sounds, by its name; null: this device. */
  midiOut: z.string().max(200).nullable().catch(null),
});

/** How one wants this device to look, speak and sound; what belongs to a person's hands is a profile. */
export type OwnWays = z.infer<typeof shape>;

const REMEMBERED_AS = 'joined-hands-own-ways';

/** The ways stored on this device; the usual one for each that is not, or cannot be read. */
export function storedWays(): OwnWays {
  try {
    const stored: unknown = JSON.parse(localStorage.getItem(REMEMBERED_AS) ?? '{}');
    return shape.parse(typeof stored === 'object' && stored !== null ? stored : {});
  } catch {
    // Blocked, or no JSON.
    return shape.parse({});
  }
}

/** Keeps the ways of this device and shows the page in them. */
@Injectable({ providedIn: 'root' })
export class Ways {
  private readonly all = signal(storedWays());
  readonly now = this.all.asReadonly();
  private readonly isDark = matchMedia('(prefers-color-scheme: dark)');

  /** Shows the page in these ways, and follows the system where it may choose. */
  begin(): void {
    this.show();
    this.isDark.addEventListener('change', () => this.show());
  }

  /** False where the browser keeps nothing: then they hold until the page is left. */
  change(some: Partial<OwnWays>): boolean {
    this.all.update((ways) => ({ ...ways, ...some }));
    this.show();
    try {
      localStorage.setItem(REMEMBERED_AS, JSON.stringify(this.all()));
      return true;
    } catch {
      return false;
    }
  }

  private show(): void {
    const { look, letters, panel } = this.all();
    const { dataset } = document.documentElement;
    dataset['look'] = look === 'system' ? (this.isDark.matches ? 'dark' : 'light') : look;
    dataset['letters'] = letters;
    dataset['panel'] = panel;
  }
}
