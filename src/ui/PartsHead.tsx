"use client";

import Link from "next/link";
import { usePathname } from "next/navigation";
import type { ReactNode } from "react";
import view from "./view.module.css";

/** The head of every part of a view, with the way to the others; `children` stand at its right. */
export function PartsHead({
  title,
  parts,
  children,
}: {
  title: string;
  parts: readonly { path: string; name: string }[];
  children?: ReactNode;
}) {
  const path = usePathname();
  return (
    <div className={view.head}>
      <div className={view.title}>
        <h1>{title}</h1>
        <nav aria-label={`Parts of ${title}`}>
          <ul className={view.parts}>
            {parts.map((part) => (
              <li key={part.path}>
                <Link href={part.path} aria-current={part.path === path ? "page" : undefined}>
                  {part.name}
                </Link>
              </li>
            ))}
          </ul>
        </nav>
      </div>
      {children}
    </div>
  );
}
