import { words, type PlaceOf } from '../../stage';

export const sheets = words({
  id: 'sheets',
  title: 'Sheets',
  headings: {},
  quantities: [],
  facts: [],
  limits: [],
  section: {},
});

declare module '../../stage/place' {
  interface PlacesOfStages {
    readonly sheets: PlaceOf<typeof sheets>;
  }
}
