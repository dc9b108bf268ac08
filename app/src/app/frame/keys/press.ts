/** The key pressed, as the browser tells it. */
export interface KeyPress {
  readonly key: string;
  /** The place of the key, whatever the layout writes on it. */
  readonly code: string;
  readonly shiftKey: boolean;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly altKey: boolean;
}

/** Where the focus was when it was pressed. */
export interface Focus {
  /** In a field one types into. */
  readonly inField: boolean;
  /** On a button or link, whose Space and Enter are its own. */
  readonly onControl: boolean;
  /** On a radio button reached by keyboard, whose arrows are its own. */
  readonly onRadio: boolean;
  readonly inDialog: boolean;
}

/** The digit of a key by its place on the keyboard; undefined for other keys. */
export function digitOf({ code }: KeyPress): string | undefined {
  return /^(?:Digit|Numpad)(\d)$/.exec(code)?.[1];
}
