export declare function fillDemoOnce(): void;
/** @throws when it was not filled in this run */
export declare const copyDemoTo: (folder: string) => void;
