import { mdiBackspaceOutline, mdiBattery, mdiBatteryAlertVariantOutline, mdiWrenchOutline } from '@mdi/js';
import { register } from './icons';

const ICONS = {
  backspace: mdiBackspaceOutline,
  battery: mdiBattery,
  batteryLow: mdiBatteryAlertVariantOutline,
  work: mdiWrenchOutline,
} as const;

/** Registers icons that no first page shows; whoever shows one calls this as it is made. */
export const registerLaterIcons = (): void => {
  register(ICONS);
};
