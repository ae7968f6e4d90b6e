"use client";

import { LinkButton } from "@/ui/kit/LinkButton";
import { RecordTable } from "@/ui/kit/RecordTable";
import { Tick } from "@/ui/kit/Tick";
import { isKey, type KeyAction, keyActions, takenBy, useKeys } from "@/ui/shell/keys";
import { Input } from "antd";
import { useState } from "react";

/** The plain keys: all switched off, or each changed or taken away. */
export function KeySettings() {
  const { on, keys, setOn, setKey } = useKeys();
  const [changing, setChanging] = useState<string | null>(null);
  return (
    <>
      <p>
        <Tick checked={on} onChange={setOn}>
          plain keys go to views and act ({keys.get("keys") ?? "the question mark above"} lists them)
        </Tick>
      </p>
      {on && (
        <details>
          <summary>Change the keys</summary>
          <RecordTable<KeyAction>
            label="Keys"
            rows={keyActions}
            keyOf={({ id }) => id}
            below={({ id }) =>
              id === changing && (
                <PressedKey
                  refused={(key) => takenBy(keys, id, key)}
                  onKey={(key) => {
                    setKey(id, key);
                    setChanging(null);
                  }}
                  onClose={() => setChanging(null)}
                />
              )
            }
            columns={[
              { head: "What it does", cell: ({ what }) => what },
              {
                head: "Key",
                bare: true,
                folded: "beside",
                cell: ({ id }) =>
                  keys.get(id) === null ? <span className="quiet">none</span> : <kbd>{keys.get(id)}</kbd>,
              },
              {
                head: "Change, take away or give back",
                mute: true,
                num: true,
                cell: ({ id, what, usual }) => (
                  <span className="small">
                    <LinkButton aria-label={`Change the key of: ${what}`} onClick={() => setChanging(id)}>
                      Change
                    </LinkButton>{" "}
                    {keys.get(id) !== null && (
                      <LinkButton aria-label={`Take the key away from: ${what}`} onClick={() => setKey(id, null)}>
                        Take away
                      </LinkButton>
                    )}{" "}
                    {keys.get(id) !== usual && takenBy(keys, id, usual) === null && (
                      <LinkButton aria-label={`${usual} again for: ${what}`} onClick={() => setKey(id, usual)}>
                        {usual} again
                      </LinkButton>
                    )}
                  </span>
                ),
              },
            ]}
          />
        </details>
      )}
    </>
  );
}

function PressedKey({
  refused,
  onKey,
  onClose,
}: {
  refused: (key: string) => string | null;
  onKey: (key: string) => void;
  onClose: () => void;
}) {
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <p className="row">
      <Input
        aria-label="The new key"
        placeholder="press a key"
        value=""
        autoFocus
        autoComplete="off"
        onKeyDown={(event) => {
          const { key, ctrlKey, metaKey, altKey } = event;
          if (key === "Escape") return onClose();
          if (ctrlKey || metaKey || altKey || !isKey(key)) return;
          event.preventDefault();
          const why = refused(key);
          setProblem(why);
          if (why === null) onKey(key);
        }}
        onChange={() => {}}
      />
      <LinkButton onClick={onClose}>Leave it</LinkButton>
      {problem !== null && (
        <span className="warn" role="alert">
          {problem}
        </span>
      )}
    </p>
  );
}
