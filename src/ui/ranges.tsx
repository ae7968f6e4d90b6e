"use client";

/** Choices of how far back a view looks. */
export function Ranges<T extends number | null>({
  options,
  value,
  onChange,
  label,
}: {
  options: readonly { label: string; days: T }[];
  value: T;
  onChange: (days: T) => void;
  label: string;
}) {
  return (
    <span role="group" aria-label={label} style={{ display: "inline-flex", gap: 14 }}>
      {options.map(({ label: title, days }) => (
        <button
          key={title}
          type="button"
          className="link"
          aria-pressed={days === value}
          style={days === value ? { color: "var(--ink)", fontWeight: 700 } : { color: "var(--slate)", fontWeight: 400 }}
          onClick={() => onChange(days)}
        >
          {title}
        </button>
      ))}
    </span>
  );
}
