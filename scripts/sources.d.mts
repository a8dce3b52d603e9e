export function citedIn(core: string): { tag: string; cite: string; for: string[] }[]
