"use client";

import { Button, type ButtonProps } from "antd";
import styles from "./kit.module.css";

/**
 * A small action that reads as a link: it takes no more room than its words, and wraps with them.
 * @param ink as dark as the text, for the name of what it opens
 */
export function LinkButton({
  className = "",
  ink = false,
  ...given
}: Omit<ButtonProps, "type" | "size"> & { ink?: boolean }) {
  return <Button type="link" {...given} className={`${styles.link} ${ink ? styles.ink : ""} ${className}`} />;
}
