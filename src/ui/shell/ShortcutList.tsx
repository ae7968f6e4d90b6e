"use client";

import { Dialog } from "../kit/Dialog";
import { views, wide } from "./views";

const others = [
  ["w", "write in the quick-entry line"],
  ["t", "go to today"],
  ["c", "go to the Column; arrows, page keys, Home and End move in it"],
  ["u or Ctrl Z", "undo"],
  ["r or Ctrl Shift Z", "do again"],
  ["?", "this list"],
] as const;

/** Every key, in one list. */
export function ShortcutList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog title="Keys" onClose={onClose}>
      <table>
        <tbody>
          {views.map(({ key, name }) => (
            <tr key={key}>
              <td>
                <kbd>{key}</kbd>
              </td>
              <td>{name}</td>
            </tr>
          ))}
          <tr>
            <td>
              <kbd>{wide.key}</kbd>
            </td>
            <td>{wide.name}: the Column opened wide</td>
          </tr>
          {others.map(([key, what]) => (
            <tr key={key}>
              <td>
                <kbd>{key}</kbd>
              </td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </Dialog>
  );
}
