/** What the demo's owner signs in with; only a start in demo mode, on this machine alone, sets it. */
export interface DemoAccount {
  readonly email: string;
  readonly password: string;
}

export const demoEmail = 'demo@fair-plug.invalid';

export function demoAccount(): DemoAccount | null {
  const password = process.env.FAIRPLUG_DEMO_PASSWORD;
  return password ? { email: demoEmail, password } : null;
}

export const hasDemo = (): boolean => demoAccount() !== null;
