import { type FirmSettings, usualFirm } from '@fair-plug/core/log';
import { useKit } from './use-logs';

/** How the firm decides, words and heads its reports; the usual while its kit is being read. */
export function useFirmSettings(): FirmSettings {
  const kit = useKit();
  return kit.kind === 'loaded' ? kit.firm : usualFirm;
}
