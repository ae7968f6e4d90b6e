"use client";

import { Dropdown } from "antd";
import { useState } from "react";
import { type ActionsProps, More } from "./Actions";
import type { Late } from "./late";
import { LinkButton } from "./LinkButton";

/** The menu itself, which comes after the page stands. */
export function ActionsMenu({ label, actions, autoFocus, autoOpen }: ActionsProps & Late) {
  const [open, setOpen] = useState(autoOpen);
  return (
    <Dropdown
      trigger={["click"]}
      open={open}
      onOpenChange={setOpen}
      autoFocus
      menu={{
        "aria-label": label,
        items: actions.map(({ name }) => ({ key: name, label: name })),
        onClick: ({ key }) => actions.find(({ name }) => name === key)?.act(),
      }}
    >
      <LinkButton aria-haspopup="menu" aria-expanded={open} autoFocus={autoFocus}>
        <More label={label} />
      </LinkButton>
    </Dropdown>
  );
}
