export declare const PACKAGES: readonly string[];
export declare const chromiumHere: () => string | null;
export declare const CHROMIUM: { readonly executablePath: string; readonly args: string[] };
