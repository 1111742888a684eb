import { offText } from './instruments-for';

describe('an instrument in the menu', () => {
  it('says how far a single reading may be off, in the unit of the page', () => {
    expect(offText('caliper', 'mm', 'mm')).toBe('± 0.02 mm');
    expect(offText('tape', 'mm', 'frac')).toBe('± 0.0315 in');
    expect(offText('angleGauge', 'rad', 'mm')).toBe('± 0.1°');
    expect(offText('scale', 'kg', 'mm')).toBe('± 1 kg');
    expect(offText('scale', 'kg', 'frac')).toBe('± 2.2 lb');
    expect(offText('seller', 'count', 'mm')).toBe('');
  });
});
