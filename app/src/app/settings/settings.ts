import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { type NoteNames, noteNames as noteNamesNow } from '@joined-hands/core/music';
import { Store } from '@ngrx/store';
import { NzButtonComponent } from 'ng-zorro-antd/button';
import { Shortcuts } from '../frame/keys/shortcuts';
import { SOUNDS, type SoundRow } from '../sound/instruments';
import { midiOutputs } from '../sound/midi-out';
import { Piano } from '../sound/piano';
import { ProfileActions } from '../state/actions';
import { SongStore } from '../storage/song-store';
import { Choice, type ChoiceOption } from '../ui/choice';
import { type OwnWays, Ways } from '../ui/own-ways';
import { Problems } from '../ui/problems';
import { Profiles } from './profiles';

/** Everything that is set once: whose hands, how this device looks, speaks and sounds. */
@Component({
  selector: 'jh-settings',
  imports: [Choice, NzButtonComponent, Profiles, RouterLink],
  templateUrl: './settings.html',
  styleUrl: './settings.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Settings {
  /** Song to go back to, from the address. */
  readonly song = input<string>();

  private readonly problems = inject(Problems);
  private readonly own = inject(Ways);
  protected readonly piano = inject(Piano);
  protected readonly shortcuts = inject(Shortcuts);
  protected readonly ways = this.own.now;

  /** What is changed before they are read would be lost. */
  protected readonly hasProfiles = signal(false);

  constructor() {
    const store = inject(Store);
    const read = inject(SongStore)
      .profiles()
      .then((profiles) => {
        store.dispatch(ProfileActions.read({ profiles }));
        this.hasProfiles.set(true);
      });
    this.problems.guard('The profiles could not be read', read);
  }

  protected readonly looks: readonly ChoiceOption<OwnWays['look']>[] = [
    { value: 'system', label: 'As the system' },
    { value: 'light', label: 'Light' },
    { value: 'dark', label: 'Dark' },
    { value: 'stage', label: 'Stage' },
  ];
  protected readonly letters: readonly ChoiceOption<OwnWays['letters']>[] = [
    { value: 'usual', label: 'Usual' },
    { value: 'large', label: 'Larger' },
  ];
  protected readonly panels: readonly ChoiceOption<OwnWays['panel']>[] = [
    { value: 'left', label: 'Left' },
    { value: 'right', label: 'Right' },
  ];
  protected readonly names: readonly ChoiceOption<NoteNames>[] = [
    { value: 'english', label: 'C D E F G A B' },
    { value: 'solfege', label: 'Do Re Mi' },
    { value: 'german', label: 'German: H, B for B♭' },
  ];
  protected readonly lengths: readonly ChoiceOption<OwnWays['lengths']>[] = [
    { value: 'cm', label: 'Centimetres' },
    { value: 'in', label: 'Inches' },
  ];
  protected readonly keysOn: readonly ChoiceOption<boolean>[] = [
    { value: true, label: 'On' },
    { value: false, label: 'Off' },
  ];
  protected readonly sounds: readonly ChoiceOption<SoundRow['id']>[] = SOUNDS.map(({ id, name }) => ({
    value: id,
    label: name,
  }));

  private readonly found = signal<readonly string[]>([]);
  protected readonly askedFor = signal('');
  /** This device, the instruments found, and the one chosen though it is not connected now. */
  protected readonly outputs = computed((): readonly ChoiceOption<string>[] => {
    const { midiOut } = this.ways();
    const names = [...new Set([...this.found(), ...(midiOut === null ? [] : [midiOut])])];
    return [{ value: '', label: 'This device' }, ...names.map((name) => ({ value: name, label: name }))];
  });

  protected async lookForOutputs(): Promise<void> {
    const outputs = await midiOutputs();
    this.found.set(outputs.flatMap(({ name }) => name ?? []));
    this.askedFor.set(
      outputs.length > 0 ? '' : 'No MIDI instrument is connected, or the browser does not let it be used.',
    );
  }

  protected change(some: Partial<OwnWays>): boolean {
    const isStored = this.own.change(some);
    if (!isStored) this.problems.tell('The setting could not be stored: it holds until this page is closed.');
    return isStored;
  }

  /** The whole program begins anew with other names: what it remembers was said in the ones before. */
  protected rename(noteNames: NoteNames): void {
    if (noteNames === this.ways().noteNames) return;
    if (this.own.change({ noteNames })) location.reload();
    else {
      this.own.change({ noteNames: noteNamesNow() });
      this.problems.tell('The names of notes could not be stored: they stay as they are.');
    }
  }
}
