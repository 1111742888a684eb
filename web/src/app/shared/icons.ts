import { inject } from '@angular/core';
import { MatIconRegistry } from '@angular/material/icon';
import { DomSanitizer } from '@angular/platform-browser';
import {
  mdiAccountQuestionOutline,
  mdiBattery,
  mdiBatteryAlertVariantOutline,
  mdiCameraOutline,
  mdiEyeOutline,
  mdiGauge,
  mdiHelpCircleOutline,
  mdiNoteEditOutline,
  mdiStoreSearchOutline,
  mdiTrayArrowDown,
  mdiVectorPolyline,
  mdiWrenchOutline,
  mdiAccountMultipleOutline,
  mdiAlertOctagonOutline,
  mdiAlertOutline,
  mdiArrowDown,
  mdiArrowRight,
  mdiBackspaceOutline,
  mdiCheck,
  mdiChevronDown,
  mdiCircleHalfFull,
  mdiCircleOutline,
  mdiClose,
  mdiCogOutline,
  mdiContentCopy,
  mdiDeleteOutline,
  mdiDownload,
  mdiFolderOpenOutline,
  mdiPencilOutline,
  mdiPlus,
  mdiPrinterOutline,
  mdiRedo,
  mdiRulerSquare,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
  mdiUndo,
  mdiUpload,
} from '@mdi/js';

const ICONS: Readonly<Record<string, string>> = {
  stop: mdiAlertOctagonOutline,
  caution: mdiAlertOutline,
  down: mdiArrowDown,
  next: mdiArrowRight,
  backspace: mdiBackspaceOutline,
  settled: mdiCheck,
  open: mdiChevronDown,
  inWork: mdiCircleHalfFull,
  untouched: mdiCircleOutline,
  close: mdiClose,
  settings: mdiCogOutline,
  copy: mdiContentCopy,
  remove: mdiDeleteOutline,
  download: mdiDownload,
  folder: mdiFolderOpenOutline,
  add: mdiPlus,
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
  work: mdiWrenchOutline,
  note: mdiNoteEditOutline,
  photo: mdiCameraOutline,
  counter: mdiStoreSearchOutline,
  take: mdiTrayArrowDown,
  instrument: mdiGauge,
  battery: mdiBattery,
  batteryLow: mdiBatteryAlertVariantOutline,
  routes: mdiVectorPolyline,
};

/** Registers the single icons the page uses, by the name of what they stand for. */
export function registerIcons(): void {
  const registry = inject(MatIconRegistry);
  const sanitizer = inject(DomSanitizer);
  for (const [name, path] of Object.entries(ICONS)) {
    const svg = `<svg viewBox="0 0 24 24"><path d="${path}"/></svg>`;
    registry.addSvgIconLiteral(name, sanitizer.bypassSecurityTrustHtml(svg));
  }
}
