import type { FirmSettings } from '@fair-plug/core/log';
import type { KitPart } from '@/local/use-logs';

export interface SettingsProps {
  readonly firm: FirmSettings;
  /** Keeps a setting; null for those who do not settle things. */
  readonly settle: ((...parts: readonly KitPart[]) => void) | null;
}
