/** A place to choose or take a file; the same file may be chosen again. */
export function FilePick({
  accept,
  onFile,
  children,
}: {
  accept: string;
  onFile: (file: File) => void;
  children: string;
}) {
  return (
    <label className="inline-flex min-h-11 cursor-pointer items-center justify-center rounded-md border border-dashed border-strong px-4 font-semibold focus-within:outline-3 focus-within:outline-copper hover:border-copper">
      {children}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </label>
  );
}

/** Why a file was not taken. */
export function FileProblem({ words }: { words: string | null }) {
  if (words === null) return null;
  return (
    <p role="alert" className="text-[15.5px] text-risk">
      {words}
    </p>
  );
}
