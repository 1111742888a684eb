import {
  mdiBackspaceOutline,
  mdiBattery,
  mdiBatteryAlertVariantOutline,
  mdiCameraOutline,
  mdiWrenchOutline,
} from '@mdi/js';
import { register } from './icons';

const ICONS = {
  backspace: mdiBackspaceOutline,
  battery: mdiBattery,
  batteryLow: mdiBatteryAlertVariantOutline,
  photo: mdiCameraOutline,
  work: mdiWrenchOutline,
} as const;

/** Registers icons that no first page shows; whoever shows one calls this as it is made. */
export const registerLaterIcons = (): void => {
  register(ICONS);
};
