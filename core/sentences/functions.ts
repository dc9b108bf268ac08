/** What a chord of the key does by its degree alone. */
export type DegreeFunction =
  | 'home'
  | 'prepares-the-dominant'
  | 'stands-in-for-the-tonic'
  | 'subdominant'
  | 'dominant'
  | 'relative-minor'
  | 'relative-major'
  | 'tonic-or-subdominant'
  | 'stands-in-for-the-dominant'
  | 'of-the-key';

/** What a chord does where it stands; degrees as numerals ("ii", "IV"). */
export type ChordFunction =
  | { readonly kind: 'of-the-degree'; readonly degree: DegreeFunction }
  /** ii and V together lead to a degree. */
  | { readonly kind: 'pair'; readonly goal: string }
  /** `own`: the chord of the key on its degree, where that is minor. */
  | { readonly kind: 'dominant-of'; readonly goal: string; readonly own: string | null }
  | { readonly kind: 'would-lead'; readonly goal: string }
  /** Of a mode: the chord that leads home in it. */
  | { readonly kind: 'cadence-of-the-mode'; readonly mode: string }
  | { readonly kind: 'borrowed'; readonly tonic: string; readonly mode: 'major' | 'minor' }
  | {
      readonly kind:
        | 'half-step-above'
        | 'passing-diminished'
        | 'dominant-leads-home'
        | 'dominant-suspended'
        | 'harmonic-minor'
        | 'leads-to-the-relative-major'
        | 'subtonic'
        | 'outside-the-key';
    };

const BY_DEGREE: Readonly<Record<DegreeFunction, string>> = {
  home: 'tonic, home',
  'prepares-the-dominant': 'prepares the dominant',
  'stands-in-for-the-tonic': 'stands in for the tonic',
  subdominant: 'subdominant',
  dominant: 'dominant',
  'relative-minor': 'relative minor of the tonic',
  'relative-major': 'relative major',
  'tonic-or-subdominant': 'stands in for the tonic or subdominant',
  'stands-in-for-the-dominant': 'stands in for the dominant',
  'of-the-key': 'of the key',
};

/** "vi made dominant, leading to ii" · "dominant, leads home" · "borrowed from C minor" */
export function functionInWords(role: ChordFunction): string {
  switch (role.kind) {
    case 'of-the-degree':
      return BY_DEGREE[role.degree];
    case 'pair':
      return `ii–V of ${role.goal}`;
    case 'dominant-of':
      return role.own ? `${role.own} made dominant, leading to ${role.goal}` : `V of ${role.goal}`;
    case 'would-lead':
      return `would lead to ${role.goal}`;
    case 'cadence-of-the-mode':
      return `leads home, as ${role.mode} does`;
    case 'borrowed':
      return `borrowed from ${role.tonic} ${role.mode}`;
    case 'half-step-above':
      return 'a half step above the next: ♭II for V';
    case 'harmonic-minor':
      return 'of harmonic minor, leads home by its raised seventh';
    case 'outside-the-key':
      return 'colour outside the key';
    case 'dominant-leads-home':
      return 'dominant, leads home';
    case 'dominant-suspended':
      return 'dominant, suspended';
    case 'passing-diminished':
      return 'passing diminished';
    case 'leads-to-the-relative-major':
      return 'leads to the relative major';
    case 'subtonic':
      return 'subtonic';
  }
}
