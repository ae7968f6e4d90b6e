/** What another tab has changed in the record of a form that is open. */
export function Meanwhile({ said }: { said: readonly string[] }) {
  return (
    <div aria-live="polite" className="small warn">
      {said.length > 0 && <p>Changed meanwhile in another tab: {said.join("; ")}.</p>}
    </div>
  );
}
