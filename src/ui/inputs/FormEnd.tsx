"use client";

import { Button } from "antd";
import type { ReactNode } from "react";
import { LinkButton } from "../kit/LinkButton";
import { RowButton } from "./Field";

/** The end of a form that was opened: it is saved, or left with what was typed in it; what else it does stands between. */
export function FormEnd({
  save,
  drop,
  onClose,
  children,
}: {
  save: string;
  drop: () => void;
  onClose: () => void;
  children?: ReactNode;
}) {
  return (
    <>
      <RowButton>
        <Button htmlType="submit" type="primary">
          {save}
        </Button>
      </RowButton>
      {children}
      <RowButton>
        <LinkButton
          onClick={() => {
            drop();
            onClose();
          }}
        >
          Cancel
        </LinkButton>
      </RowButton>
    </>
  );
}
