import { inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import {
  mdiAccountMultipleOutline,
  mdiAccountOutline,
  mdiAccountQuestionOutline,
  mdiAlertOctagonOutline,
  mdiAlertOutline,
  mdiArrowDown,
  mdiArrowRight,
  mdiCheck,
  mdiCheckboxBlankOutline,
  mdiCheckboxMarkedOutline,
  mdiChevronDown,
  mdiChevronRight,
  mdiCircleHalfFull,
  mdiCircleOutline,
  mdiClose,
  mdiContentCopy,
  mdiDeleteOutline,
  mdiDownload,
  mdiEyeOutline,
  mdiFitToScreenOutline,
  mdiFolderOpenOutline,
  mdiGauge,
  mdiHelpCircleOutline,
  mdiMinus,
  mdiPencilOutline,
  mdiPlus,
  mdiPrinterOutline,
  mdiRedo,
  mdiRulerSquare,
  mdiStoreSearchOutline,
  mdiTrayArrowDown,
  mdiTuneVariant,
  mdiUndo,
  mdiUpload,
  mdiVectorPolyline,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
} from '@mdi/js';

const ICONS: Readonly<Record<string, string>> = {
  stop: mdiAlertOctagonOutline,
  caution: mdiAlertOutline,
  down: mdiArrowDown,
  next: mdiArrowRight,
  settled: mdiCheck,
  open: mdiChevronDown,
  inWork: mdiCircleHalfFull,
  untouched: mdiCircleOutline,
  close: mdiClose,
  fold: mdiChevronDown,
  unfold: mdiChevronRight,
  numbers: mdiTuneVariant,
  checked: mdiCheckboxMarkedOutline,
  unchecked: mdiCheckboxBlankOutline,
  minus: mdiMinus,
  plus: mdiPlus,
  whole: mdiFitToScreenOutline,
  copy: mdiContentCopy,
  remove: mdiDeleteOutline,
  download: mdiDownload,
  folder: mdiFolderOpenOutline,
  add: mdiPlus,
  person: mdiAccountOutline,
  people: mdiAccountMultipleOutline,
  print: mdiPrinterOutline,
  redo: mdiRedo,
  rename: mdiPencilOutline,
  walk: mdiRulerSquare,
  dark: mdiWeatherNight,
  light: mdiWhiteBalanceSunny,
  undo: mdiUndo,
  upload: mdiUpload,
  seller: mdiAccountQuestionOutline,
  seen: mdiEyeOutline,
  unknown: mdiHelpCircleOutline,
  counter: mdiStoreSearchOutline,
  take: mdiTrayArrowDown,
  instrument: mdiGauge,
  routes: mdiVectorPolyline,
};

/** Registers the single icons the page uses, by the name of what they stand for. */
export const registerIcons = (): void => {
  register(ICONS);
};

/** Registers icons by name. Call it where injection is possible. */
export function register(icons: Readonly<Record<string, string>>): void {
  const registry = inject(MatIconRegistry);
  const sanitizer = inject(DomSanitizer);
  for (const [name, path] of Object.entries(icons)) {
    const svg = `<svg viewBox="0 0 24 24"><path d="${path}"/></svg>`;
    registry.addSvgIconLiteral(name, sanitizer.bypassSecurityTrustHtml(svg));
  }
}
