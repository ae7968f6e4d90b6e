"use client";

import { Button, type ButtonProps } from "antd";
import styles from "./kit.module.css";

/** A small action that reads as a link: it takes no more room than its words, and wraps with them. */
export function LinkButton({ className = "", ...given }: Omit<ButtonProps, "type" | "size">) {
  return <Button type="link" {...given} className={`${styles.link} ${className}`} />;
}
