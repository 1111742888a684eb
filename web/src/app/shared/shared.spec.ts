import { HttpTestingController } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import { schools, evaluate, type Figure } from '@intervex/core';
import { Bench, donorPlan, read } from '../testing/bench';
import { FigureValue } from './figure-value';
import { PhotoList } from './photo-list';

const PHOTO = '3f0b7a52-2c3c-4c8e-9b55-4f57f1f6a201';

describe('a figure', () => {
  const cut = (instrument: 'seller' | 'seen' | 'caliper') => {
    const plan = donorPlan({ 'donor.half.left': read(instrument, 792.3) });
    const school = evaluate(plan).of(schools)[0];
    if (!school || !('cut' in school)) throw new Error('no cut');
    return { plan, figure: school.cut.left as Figure };
  };

  it.each([
    ['seller', 'rests on what the seller says'],
    ['seen', 'rests on what was seen or estimated, not measured'],
  ] as const)('says where it rests on what was only “%s”', async (instrument, words) => {
    const { plan, figure } = cut(instrument);
    const bench = await Bench.of(FigureValue, plan, { figure });
    expect(bench.button(words).getAttribute('title')).toBe(words);
    expect(bench.all('mat-icon')).toHaveLength(1);
  });

  it('is plain where all of it was measured', async () => {
    const { plan, figure } = cut('caliper');
    const bench = await Bench.of(FigureValue, plan, { figure });
    expect(bench.all('mat-icon')).toHaveLength(0);
  });
});

describe('photos', () => {
  const give = async (bench: Bench<PhotoList>, file: File) => {
    const [input] = bench.all<HTMLInputElement>('input[type=file]');
    if (!input) throw new Error('no input');
    Object.defineProperty(input, 'files', { value: [file], configurable: true });
    input.dispatchEvent(new Event('change'));
    await Promise.resolve();
  };

  it('are kept by the server and placed in the plan', async () => {
    const bench = await Bench.of(PhotoList, donorPlan(), { place: 'donor.journal' });
    await give(bench, new File(['x'], 'journal.jpg', { type: 'image/jpeg' }));
    const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/photos');
    expect(request.request.headers.get('content-type')).toBe('image/jpeg');
    request.flush({ id: PHOTO, width: 10, height: 10, size: 300 });
    await bench.settle();
    expect(bench.store.plan().photos[PHOTO]).toMatchObject({
      place: 'donor.journal',
      who: 'bench',
      caption: '',
    });
    expect(bench.all<HTMLImageElement>('img')[0]?.src).toContain(`/api/photos/${PHOTO}/thumb`);
    await bench.click('Take the photo out');
    expect(bench.store.plan().photos).toEqual({});
  });

  it('are refused in words, by size before they are sent and by what the server says', async () => {
    const bench = await Bench.of(PhotoList, donorPlan(), { place: 'donor' });
    const huge = new File(['x'], 'huge.jpg', { type: 'image/jpeg' });
    Object.defineProperty(huge, 'size', { value: 60 * 2 ** 20 });
    await give(bench, huge);
    await bench.fixture.whenStable();
    expect(bench.text).toContain('huge.jpg is 60 MB; a photo may have at most 25 MB.');
    await give(bench, new File(['MZ'], 'tag.jpg', { type: 'image/jpeg' }));
    TestBed.inject(HttpTestingController)
      .expectOne((r) => r.url === '/api/photos')
      .flush(
        {
          error: 'wrongType',
          message: 'This is no photo.',
          problems: [{ field: 'photo', wrong: 'is a .exe file', right: 'a photo as JPEG, PNG or WebP' }],
        },
        { status: 415, statusText: 'no' },
      );
    await bench.fixture.whenStable();
    expect(bench.text).toContain('tag.jpg: This is no photo. Right would be: a photo as JPEG, PNG or WebP.');
    expect(bench.store.plan().photos).toEqual({});
  });

  it('stop being sent when asked, and leave nothing behind', async () => {
    const bench = await Bench.of(PhotoList, donorPlan(), { place: 'donor' });
    await give(bench, new File(['x'], 'slow.jpg', { type: 'image/jpeg' }));
    const request = TestBed.inject(HttpTestingController).expectOne((r) => r.url === '/api/photos');
    await bench.fixture.whenStable();
    expect(bench.text).toContain('Keeping the photo…');
    await bench.click('Stop');
    await bench.settle();
    expect(request.cancelled).toBe(true);
    expect(bench.text).not.toContain('Keeping the photo…');
    expect(bench.store.plan().photos).toEqual({});
  });
});
