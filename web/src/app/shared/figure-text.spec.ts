import { figureText } from './figure-text';

describe('a printed figure', () => {
  it.each([
    ['26 15⁄16 + .011 in', '26 15⁄16', '+ .011', 'in', ''],
    ['−1 3⁄8 − .012 in ± 0.043 in', '−1 3⁄8', '− .012', 'in', '± 0.043 in'],
    ['1 − .006', '1', '− .006', '', ''],
    ['684.5 mm', '684.5', '', 'mm', ''],
    ['380 lb·ft', '380', '', 'lb·ft', ''],
    ['100.0 %', '100.0', '', '%', ''],
    ['0.23°', '0.23°', '', '', ''],
    ['−0.012', '−0.012', '', '', ''],
  ])('%s comes apart', (text, main, rest, unit, tail) => {
    expect(figureText(text)).toEqual({ main, rest, unit, tail });
  });
});
