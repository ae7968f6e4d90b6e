/** Why a file could not be made; nothing where it could. */
export function Problem({ said }: { said: string | null }) {
  return said === null ? null : (
    <p role="alert" className="warn">
      {said}
    </p>
  );
}
