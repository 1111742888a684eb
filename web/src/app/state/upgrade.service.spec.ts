import { DOCUMENT } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { PlanStore } from './plan-store';
import { UpgradeService } from './upgrade.service';

const page = (script: string) =>
  `<html><head></head><body><script src="${script}" type="module"></script></body></html>`;
const done: string[] = [];
const note = (what: string) => () => {
  done.push(what);
  return Promise.resolve();
};

let keeps = true;

function service(script: string): UpgradeService {
  const own = new DOMParser().parseFromString(page(script), 'text/html');
  const document = {
    baseURI: 'http://x/',
    querySelectorAll: own.querySelectorAll.bind(own),
    location: { assign: (url: string) => done.push(url) },
  };
  TestBed.configureTestingModule({
    providers: [
      { provide: DOCUMENT, useValue: document },
      {
        provide: PlanStore,
        useValue: { flush: note('saved'), keepNow: () => note('kept')().then(() => keeps) },
      },
    ],
  });
  return TestBed.inject(UpgradeService);
}
afterEach(() => vi.unstubAllGlobals());

describe('a page whose server was updated', () => {
  it.each([
    ['other scripts', () => Promise.resolve(new Response(page('main-NEW.js'))), true],
    ['the same scripts', () => Promise.resolve(new Response(page('/main-OLD.js'))), false],
    ['no page', () => Promise.resolve(new Response('no', { status: 503 })), false],
    ['no answer', () => Promise.reject(new TypeError('away')), false],
  ])('knows it by %s', async (_what, answer, newer) => {
    vi.stubGlobal('fetch', answer);
    expect(await service('main-OLD.js').isThere()).toBe(newer);
  });

  it('saves and keeps before it goes over', async () => {
    expect(await service('main-OLD.js').goOver('/plan/7/gears')).toBe(true);
    expect(done).toEqual(['saved', 'kept', '/plan/7/gears']);
  });

  it('stays where nothing could be kept', async () => {
    done.length = 0;
    keeps = false;
    expect(await service('main-OLD.js').goOver('/plan/7/gears')).toBe(false);
    expect(done).toEqual(['saved', 'kept']);
  });
});
