/** What stands where a tying sheet will. @param again asks for it again, where it could not be made */
export function SheetPending({ again }: { readonly again: (() => void) | null }) {
  return (
    <main className="p-6 text-ink2 flex-1" role="status">
      {again ? (
        <>
          The sheet could not be made.{' '}
          <button type="button" className="sheet-button" onClick={again}>
            Try again
          </button>
        </>
      ) : (
        'Working out the steps'
      )}
    </main>
  );
}
