/** Small choices of this browser. A browser that refuses to remember only forgets them. */
const PREFIX = 'intervex.';

export function remembered(key: string): string | null {
  try {
    return localStorage.getItem(PREFIX + key);
  } catch {
    return null;
  }
}

export function remember(key: string, value: string): void {
  try {
    localStorage.setItem(PREFIX + key, value);
  } catch {
    // Private windows may refuse; the choice then lasts for this page only.
  }
}
