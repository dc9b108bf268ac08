/** The path of Debian's Chromium, light or whole; installed with apt-get when it is missing. Null when there is none. */
export function chromium(wanted?: 'light' | 'whole'): string | null;
