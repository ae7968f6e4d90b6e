"use client";

import { longestPaste, tooLarge, tooLong } from "@/core/ledger/paste";
import { accepted } from "@/formats/endings";
import { Input } from "antd";
import { type ReactNode, useId } from "react";
import { FilePicker } from "../kit/FilePicker";

interface Props {
  label: ReactNode;
  fileLabel: string;
  className: string | undefined;
  text: string;
  onText: (text: string) => void;
  /** Told why a text is not taken up: one that is longer than is read does not even come to stand in the page. */
  onRefused: (why: string) => void;
}

/** A spreadsheet's columns: pasted, or from a file of separated values. */
export function SheetField({ label, fileLabel, className, text, onText, onRefused }: Props) {
  const id = useId();
  const take = (given: string) => {
    const why = tooLong(given);
    if (why === null) onText(given);
    else onRefused(why);
  };
  // A character takes four bytes at most.
  const open = async (file: File) => {
    if (file.size > 4 * longestPaste.characters) onRefused(tooLarge(file.size));
    else take(await file.text());
  };
  return (
    <>
      <label htmlFor={id} className="quiet">
        {label}
      </label>
      <Input.TextArea
        id={id}
        className={className}
        rows={4}
        value={text}
        spellCheck={false}
        onChange={(event) => take(event.target.value)}
        onPaste={(event) => {
          const why = tooLong(event.clipboardData.getData("text/plain"));
          if (why === null) return;
          event.preventDefault();
          onRefused(why);
        }}
      />
      <FilePicker
        label={fileLabel}
        accept={accepted.workbook}
        onFiles={([file]) => {
          if (file) void open(file);
        }}
      >
        Or drop a file here, or choose one
      </FilePicker>
    </>
  );
}
