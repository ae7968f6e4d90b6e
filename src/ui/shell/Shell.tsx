"use client";

import type { ProblemKind } from "@/store/problems";
import dynamic from "next/dynamic";
import Link from "next/link";
import { usePathname, useRouter } from "next/navigation";
import { type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import { Column } from "../column/Column";
import { EntryLine } from "../entry/EntryLine";
import { useDialogSoon } from "../kit/Dialog";
import { HintLayer } from "../kit/HintLayer";
import { LinkButton } from "../kit/LinkButton";
import { KindMarks } from "../column/kindMarks";
import { useHousehold } from "../log/useFigure";
import { WeekStart } from "../kit/weekStart";
import { LogContext, type OpenLog } from "../log/LogContext";
import { type FirstRunActions, useOpenLog } from "../log/useOpenLog";
import { leftTyped } from "../grid/writeBehind";
import { watchTyping } from "../unsaved";
import { Boundary } from "./Boundary";
import { useKeys } from "./keys";
import { NoticeBar } from "./NoticeBar";
import styles from "./shell.module.css";
import { useBackup } from "./useBackup";
import { useNewVersion } from "./useNewVersion";
import { useReminder } from "./useReminder";
import { useShortcuts } from "./useShortcuts";
import { WhoseLog } from "./WhoseLog";
import { settings, train, viewAt, views, wide } from "./views";

const LogProblem = dynamic(() => import("./LogProblem").then((module) => module.LogProblem), { ssr: false });
const MoreSheet = dynamic(() => import("./MoreSheet").then((one) => one.MoreSheet), { ssr: false });
const ShortcutList = dynamic(() => import("./ShortcutList").then((module) => module.ShortcutList), { ssr: false });

/** Problems after which the database may be given up for its second copy. */
const beyondUse = new Set<ProblemKind>(["damaged", "lost", "failed"]);

/** What surrounds every view: the Column, the bar, the quick-entry line. `firstRun` is shown while the log is empty. */
export function Shell({
  children,
  firstRun,
}: {
  children: ReactNode;
  firstRun: (actions: FirstRunActions) => ReactNode;
}) {
  const opening = useOpenLog();
  if (opening.phase === "open")
    return (
      <LogContext value={opening.log}>
        <OpenShell log={opening.log}>{children}</OpenShell>
      </LogContext>
    );
  if (opening.phase === "empty")
    return (
      <>
        {firstRun(opening.first)}
        <NoticeBar notice={opening.first.notice} undo={opening.first.undo} dismiss={opening.first.dismiss} />
      </>
    );
  return (
    <main className={styles.wait} aria-busy={opening.phase === "opening"}>
      <h1>Oat Column</h1>
      {opening.phase === "problem" && (
        <LogProblem name={opening.name} alert mayReplace={beyondUse.has(opening.problem.kind)}>
          {opening.problem.message}
        </LogProblem>
      )}
      {opening.phase === "opening" && (
        <p>
          Opening the log
          {opening.share === null ? (
            ""
          ) : (
            <>
              , {Math.round(opening.share * 100)} % <LinkButton onClick={opening.stop}>Stop</LinkButton>
            </>
          )}
        </p>
      )}
      {opening.phase === "opening" && opening.late && (
        <LogProblem name={opening.name} alert={false} mayReplace={false}>
          The browser&apos;s storage has not answered for some seconds. It may still do so; nothing was changed.
        </LogProblem>
      )}
      <noscript>Oat Column computes in your browser and needs JavaScript switched on.</noscript>
    </main>
  );
}

function OpenShell({ log, children }: { log: OpenLog; children: ReactNode }) {
  const router = useRouter();
  const path = usePathname();
  const entry = useRef<HTMLInputElement>(null);
  const page = useRef<HTMLDivElement>(null);
  const [daysOpen, setDaysOpen] = useState(false);
  const [listOpen, setListOpen] = useState(false);
  const [moreOpen, setMoreOpen] = useState(false);
  const { chooseDay, today, undo, redo, name, person, reading, notice, dismiss } = log;

  const actions = useMemo(
    () => ({
      ...Object.fromEntries([...views, wide, settings].map(({ path: to }) => [to, () => router.push(to)])),
      write: () => entry.current?.focus(),
      today: () => chooseDay(today),
      column: () => (document.getElementById("ledger") ?? document.getElementById("column"))?.focus(),
      undo: () => void undo(),
      redo: () => void redo(),
      keys: () => setListOpen(true),
    }),
    [router, chooseDay, today, undo, redo],
  );
  useShortcuts(actions);
  const { on: keysAct, keys } = useKeys();
  const keyOf = (id: string) => (keysAct ? (keys.get(id) ?? undefined) : undefined);
  const named = (title: string, id: string) => (keyOf(id) ? `${title} (key ${keyOf(id)})` : title);
  useEffect(() => watchTyping(), []);
  const { warn } = log;
  useEffect(() => {
    const left = leftTyped().filter((grid) => !window.location.pathname.includes(grid));
    if (left.length > 0)
      warn(
        `Some cells typed in ${left.map((grid) => (grid === "cycle" ? "a cycle" : `the ${grid}`)).join(" and ")} were not written before the page was left. They wait there as they were typed: open it.`,
      );
  }, [warn]);
  useReminder(log);
  useDialogSoon();
  useBackup(log);
  const version = useNewVersion(log);
  useEffect(() => {
    page.current?.scrollTo({ top: 0 });
  }, [path]);

  const view = viewAt(path);
  const own = useHousehold("ownKinds");
  const marks = useMemo(() => new Map((own ?? []).map((one) => [one.name.toLowerCase(), one])), [own]);
  const isWide = path === wide.path || view?.path === "/plan";
  useEffect(() => {
    document.title = view && view.path !== "/" ? `${view.name} · Oat Column` : "Oat Column";
  }, [view]);
  if (path === train.path)
    return (
      <div className={styles.bare}>
        <main id="content">
          <Boundary name={name}>{children}</Boundary>
        </main>
      </div>
    );
  return (
    <KindMarks value={marks}>
      <WeekStart value={person.weekStart ?? 1}>
        <div className={`${styles.shell} ${isWide ? styles.wide : ""}`}>
          <a href="#content" className={styles.skip}>
            Go to the view
          </a>
          <div className={`${styles.side} ${daysOpen ? styles.open : ""}`}>
            <Boundary name={name}>
              <Column key={daysOpen ? "open" : "beside"} onChosen={() => setDaysOpen(false)} />
            </Boundary>
          </div>
          <div className={styles.main}>
            <header className={styles.bar}>
              {isWide && (
                <Link href="/" className={styles.brand}>
                  Oat Column
                </Link>
              )}
              <nav aria-label="Views">
                <ul className={styles.views}>
                  {views.map(({ path: target, name: title, daily }) => (
                    <li key={target} className={daily ? undefined : styles.rest}>
                      <Link
                        href={target}
                        aria-current={target === view?.path ? "page" : undefined}
                        data-hint={named(title, target)}
                        aria-keyshortcuts={keyOf(target)}
                        onClick={() => setDaysOpen(false)}
                      >
                        {title}
                      </Link>
                    </li>
                  ))}
                </ul>
              </nav>
              <button
                type="button"
                className={styles.daysButton}
                aria-expanded={daysOpen}
                onClick={() => setDaysOpen(!daysOpen)}
              >
                Days
              </button>
              <button
                type="button"
                className={styles.moreButton}
                aria-haspopup="dialog"
                aria-current={
                  view && !views.some(({ path: one, daily }) => daily && one === view.path) ? "page" : undefined
                }
                onClick={() => setMoreOpen(true)}
              >
                More
              </button>
              <div className={styles.whose}>
                {reading !== null && (
                  <span className={styles.late}>
                    reading the log{reading.share > 0 ? `, ${Math.round(reading.share * 100)} %` : ""}{" "}
                    <LinkButton onClick={reading.stop}>Stop</LinkButton>
                  </span>
                )}
                {name !== "own" && <span className={styles.demo}>{name} log</span>}
                <WhoseLog />
                <Link
                  href={settings.path}
                  data-hint={named(settings.name, settings.path)}
                  aria-keyshortcuts={keyOf(settings.path)}
                  aria-current={path === settings.path ? "page" : undefined}
                >
                  {settings.name}
                </Link>
                <LinkButton
                  data-hint={named("Keys", "keys")}
                  aria-keyshortcuts={keyOf("keys")}
                  aria-label="Keys"
                  onClick={() => setListOpen(true)}
                >
                  ?
                </LinkButton>
              </div>
            </header>
            <div ref={page} className={styles.page}>
              {log.people.length > 1 && (
                <aside className={styles.whoseHere} aria-label="Whose log">
                  In the log of {person.name}
                </aside>
              )}
              <Boundary name={name}>
                <EntryLine inputRef={entry} thin={path !== "/"} />
              </Boundary>
              <main className={styles.content} id="content" tabIndex={-1}>
                <Boundary key={path} name={name}>
                  {children}
                </Boundary>
              </main>
            </div>
          </div>
          <NoticeBar notice={notice} undo={undo} dismiss={dismiss} />
          {version && (
            <p className={`${styles.version} noprint`}>
              <span>{version.text}</span> <LinkButton onClick={version.takeOver}>Take it now</LinkButton>
            </p>
          )}
          <HintLayer />
          {moreOpen && <MoreSheet onClose={() => setMoreOpen(false)} />}
          {listOpen && <ShortcutList onClose={() => setListOpen(false)} />}
        </div>
      </WeekStart>
    </KindMarks>
  );
}
