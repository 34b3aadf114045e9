/** What is kept in the browser: its own storage, or a map in tests. */
export interface Keep {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
  keys(): string[];
}

/**
 * The browser's storage, and memory in its place where it is denied, broken or full: what is kept there lasts as long
 * as the page is open, which is said.
 */
export class SafeKeep implements Keep {
  private readonly memory = new Map<string, string>();
  private denied = false;

  constructor(private readonly storage: () => Storage) {}

  /** Whether anything is kept in memory alone. */
  get onlyHere() {
    return this.denied;
  }

  getItem(key: string): string | null {
    const here = this.memory.get(key);
    if (here !== undefined) return here;
    try {
      return this.storage().getItem(key);
    } catch {
      this.denied = true;
      return null;
    }
  }

  setItem(key: string, value: string) {
    try {
      this.storage().setItem(key, value);
      this.memory.delete(key);
    } catch {
      this.denied = true;
      this.memory.set(key, value);
    }
  }

  removeItem(key: string) {
    this.memory.delete(key);
    try {
      this.storage().removeItem(key);
    } catch {
      this.denied = true;
    }
  }

  keys(): string[] {
    try {
      return [...new Set([...this.memory.keys(), ...Object.keys(this.storage())])];
    } catch {
      return [...this.memory.keys()];
    }
  }
}

export const keep = new SafeKeep(() => window.localStorage);
export const keepOfWindow = new SafeKeep(() => window.sessionStorage);
