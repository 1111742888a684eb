import { curveText, gearsText, readCurve, readGears } from './brief-text';

describe('gearbox ratios', () => {
  it('reads back what it writes', () => {
    const gears = [2.92, 1.91, 1.34, 1, 0.79];
    expect(readGears(gearsText(gears))).toEqual({ ok: true, value: gears });
    expect(readGears(' 3.4;  2.1 ')).toEqual({ ok: true, value: [3.4, 2.1] });
    expect(readGears('')).toEqual({ ok: true, value: [] });
  });

  it.each([
    ['2.92, first', /“first” is no ratio/],
    ['2.92, 19.1', /between 0.4 and 8; this is 19.1/],
    ['1 1 1 1 1 1 1 1 1 1 1', /At most 10/],
  ])('refuses “%s”', (text, why) => {
    const read = readGears(text);
    expect(read.ok ? '' : read.reason).toMatch(why);
  });
});

describe('torque curve', () => {
  it('reads back what it writes, with tabs and commas too', () => {
    const points = [
      { rpm: 2500, torque: 338.5 },
      { rpm: 4200, torque: 420 },
    ];
    expect(readCurve(curveText(points))).toEqual({ ok: true, value: points });
    expect(readCurve('2500,338.5\n4200\t420\n\n')).toEqual({ ok: true, value: points });
  });

  it.each([
    ['2500', /Line 1, “2500”/],
    ['2500 338\n2400 350', /Line 2: rpm must rise/],
    ['338 2500\n420 4200', /wrong way round/],
  ])('refuses %j', (text, why) => {
    const read = readCurve(text);
    expect(read.ok || !why.test(read.reason)).toBe(false);
  });

  it('takes and gives lb·ft beside inches, and a unit of its own on any line', () => {
    const read = readCurve('2500 250\n4200 400 N·m', 'frac');
    // 250 × 1.355818.
    expect(read).toEqual({
      ok: true,
      value: [
        { rpm: 2500, torque: 338.95 },
        { rpm: 4200, torque: 400 },
      ],
    });
    expect(curveText(read.ok ? read.value : [], 'in')).toBe('2500 250\n4200 295');
    expect(readCurve('2500 fast', 'in')).toMatchObject({
      reason: expect.stringContaining('write rpm and lb·ft') as string,
    });
    expect(readCurve('2500 2213', 'in')).toMatchObject({
      reason: expect.stringContaining('2213 lb·ft') as string,
    });
  });
});
