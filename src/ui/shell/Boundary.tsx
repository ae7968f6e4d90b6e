"use client";

import type { LogName } from "@/store/database";
import dynamic from "next/dynamic";
import { Component, type ReactNode } from "react";
import { FigureProblem } from "../log/useFigure";

const LastResort = dynamic(() => import("./LastResort").then((module) => module.LastResort), { ssr: false });

/** Keeps what fails inside it from taking the rest of the page along: no page is ever blank. */
export class Boundary extends Component<{ name: LogName; children: ReactNode }, { failed: Error | null }> {
  override state: { failed: Error | null } = { failed: null };

  static getDerivedStateFromError(failed: Error): { failed: Error } {
    return { failed };
  }

  override render(): ReactNode {
    const { failed } = this.state;
    if (failed === null) return this.props.children;
    const tryAgain = () => {
      if (failed instanceof FigureProblem) failed.askAgain();
      this.setState({ failed: null });
    };
    return <LastResort name={this.props.name} reason={failed.message} tryAgain={tryAgain} />;
  }
}
