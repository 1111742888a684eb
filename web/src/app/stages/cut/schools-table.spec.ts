import { Bench, donorPlan, read } from '../../testing/bench';
import { SchoolsTable } from './schools-table';

const rowsOf = (bench: Bench<SchoolsTable>) =>
  bench.all('tbody tr').map((row) => (row.textContent ?? '').replace(/\s+/g, ' ').trim());

describe('ways to cut, side by side', () => {
  it('shows cuts, shafts, pinion and what must be bought', async () => {
    const bench = await Bench.of(SchoolsTable, donorPlan({ 'survey.gearbox': read('tape', -12.4) }));
    const [even, keep, line, short] = rowsOf(bench);
    // 792.3 − 701, 741.1 − 701; shafts less the cut, to half a millimetre.
    expect(even).toMatch(/91\.3.*40\.1.*684\.0.*684\.5.*middle.*2 shafts/);
    // (1533.4 − 1402) / 2 a side, pinion (741.1 − 792.3) / 2.
    expect(keep).toMatch(/65\.7.*65\.7.*25\.6 mm right/);
    // 792.3 − (701 + 12.4).
    expect(line).toMatch(/78\.9.*52\.5.*12\.4 mm right/);
    expect(short).toMatch(/1482\.2 mm wide/);
    expect(short).toMatch(/51\.2.*0\.0.*1 short shaft/);
  });

  it('says what a way still needs', async () => {
    const bench = await Bench.of(SchoolsTable, donorPlan());
    expect(rowsOf(bench)[2]).toContain('needs pinion wanted at');
  });

  it('marks metal that is missing', async () => {
    const bench = await Bench.of(SchoolsTable, donorPlan({ 'brief.targetWidth': read('chosen', 1499.6) }));
    expect(rowsOf(bench)[0]).toContain('metal missing');
    expect(bench.all('td.widen')).toHaveLength(1);
  });

  it('chooses by a click on the row', async () => {
    const bench = await Bench.of(SchoolsTable, donorPlan());
    bench.all('tbody tr')[1]?.click();
    await bench.fixture.whenStable();
    expect(bench.store.plan().choices.school).toBe('keepOffset');
    expect(bench.all('tr.chosen')).toHaveLength(1);
    expect(bench.all('tr.chosen')[0]?.textContent).toContain('Keep the pinion offset');
  });
});
