const VULGAR = /[¼½¾⅐-⅞]/g;

/**
 * Brings typographic input to plain characters: curly and prime quotes to `'` and `"`, long dashes and
 * the minus sign to `-`, single-character fractions to `n/d` with a space before them, any white space
 * to one blank. Does not change what the text means.
 *
 * @example tidyText('57⅜″') // '57 3/8"'
 */
export function tidyText(text: string): string {
  return text
    .replace(VULGAR, (c) => ' ' + c.normalize('NFKC'))
    .replace(/[\u2044\u2215]/g, '/')
    .replace(/[\u2018\u2019\u2032\u02b9\u00b4`]/g, "'")
    .replace(/[\u201c\u201d\u2033\u02ba]|''/g, '"')
    .replace(/[\u2010-\u2015\u2212]/g, '-')
    .replace(/\s+/g, ' ')
    .trim();
}

/**
 * Reads a plain decimal. A comma counts as the decimal sign only where it cannot be a thousands mark:
 * one comma, no point, and either nothing but `0` before it or not exactly three digits after it.
 * `1457,3` and `0,063` are read; `1,457` and `1,457.3` are refused as ambiguous.
 *
 * @returns the number, or a sentence saying what is wrong
 * @example readDecimal('1457,3') // 1457.3
 */
export function readDecimal(text: string): number | string {
  if (text.includes(',')) {
    const match = /^(\d*),(\d+)$/.exec(text);
    const whole = match?.[1] ?? '';
    const after = match?.[2] ?? '';
    const ambiguous = !match || (after.length === 3 && whole !== '' && whole !== '0');
    if (ambiguous) return `“${text}” could be thousands or a decimal: write the decimal with a point.`;
    return Number(`${whole || '0'}.${after}`);
  }
  if (!/^(\d+\.?\d*|\.\d+)$/.test(text)) return `“${text}” is not a number.`;
  return Number(text);
}
