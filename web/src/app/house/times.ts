const FORM = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** `27 Nov 2026, 08:14`, in the reader’s time. */
export const timeText = (iso: string): string => FORM.format(new Date(iso));

/** `1.4 MB`, `860 kB`. */
export function sizeText(bytes: number): string {
  for (const [unit, size] of [
    ['GB', 1e9],
    ['MB', 1e6],
  ] as const)
    if (bytes >= size) return `${(bytes / size).toFixed(1)} ${unit}`;
  return `${Math.max(1, Math.round(bytes / 1000))} kB`;
}
