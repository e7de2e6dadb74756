/** Where the application went. */
export const visited: string[] = [];

const router = {
  push: (to: string) => void visited.push(to),
  replace: (to: string) => void visited.push(to),
};

/** In place of next/navigation: the address is the page's own. */
export const usePathname = (): string => location.pathname;
export const useRouter = (): typeof router => router;
export const useSearchParams = (): URLSearchParams => new URLSearchParams(location.search);
