'use client';

import dayjs from 'dayjs';
import timezone from 'dayjs/plugin/timezone';
import utc from 'dayjs/plugin/utc';
import { createContext, type ReactNode, useContext } from 'react';

dayjs.extend(utc);
dayjs.extend(timezone);

const ZoneContext = createContext<string | null>(null);

/** Tells an instant, in a form of dayjs ("D MMM YYYY, HH:mm"). */
export type TellTime = (at: string, form: string) => string;

/** Tells times in a zone; in this device's where there is none, or where it is not known here. */
export function timeIn(zone: string | null): TellTime {
  return (at, form) => {
    const instant = dayjs(at);
    if (zone === null) return instant.format(form);
    try {
      return instant.tz(zone).format(form);
    } catch {
      return instant.format(form);
    }
  };
}

interface HouseTimeProps {
  readonly zone: string | null;
  readonly children: ReactNode;
}

/** Everything inside tells times as the clocks of the house show them. */
export const HouseTime = ({ zone, children }: HouseTimeProps) => (
  <ZoneContext value={zone}>{children}</ZoneContext>
);

export const useHouseTime = (): TellTime => timeIn(useContext(ZoneContext));

/** The zone of this device, as the time zone database names it. */
export const ownZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;
