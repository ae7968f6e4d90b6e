"use client";

import type { KeptStanding, RoomQuestion } from "@/offline/messages";
import { useCallback, useEffect, useState } from "react";
import type { OpenLog } from "../log/LogContext";
import { hasUnsaved } from "../unsaved";

/** A version of the application that is ready to take over: what is said of it, and the way to ask for it now. */
export interface NewVersion {
  text: string;
  takeOver: () => void;
}

/** About how many bytes the application takes when it is kept for use without a network. */
const appBytes = 6_000_000;

/** What is missing is fetched again first: on a slow line that takes its time. A part that has died answers never. */
const longestLook = 120_000;

/** How the application stands without a network; null where no browser part keeps it. */
export async function keptForOffline(): Promise<KeptStanding | null> {
  const controller = navigator.serviceWorker?.controller;
  if (!controller) return null;
  const { port1, port2 } = new MessageChannel();
  return new Promise((resolve) => {
    port1.onmessage = ({ data }: MessageEvent<KeptStanding>) => resolve(data);
    setTimeout(() => resolve(null), longestLook);
    controller.postMessage("is it whole", [port2]);
  });
}

/**
 * Keeps the application for use without a network, and tells when a new version waits. It never takes over by itself
 * while a tab is open, and when asked to, only if this is the only tab and nothing half-written would be lost.
 */
export function useNewVersion({ copy, warn }: OpenLog): NewVersion | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  const [refusal, setRefusal] = useState("");
  useEffect(() => {
    const service = navigator.serviceWorker as ServiceWorkerContainer | undefined;
    if (service === undefined || process.env.NODE_ENV !== "production") return;
    const hasRoom = async (bytes: number) => (await copy()).room(bytes);
    // The service worker cannot find out without harm how much room there is; a page can.
    const answer = (event: MessageEvent) => {
      const { room } = event.data as Partial<RoomQuestion>;
      if (room !== undefined)
        void hasRoom(room)
          .catch(() => false)
          .then((has) => event.ports[0]?.postMessage(has));
    };
    service.addEventListener("message", answer);
    service.startMessages();
    const watch = (registration: ServiceWorkerRegistration) => {
      // Without a version in charge the first one simply begins.
      const look = () => {
        if (registration.waiting && service.controller) setWaiting(registration.waiting);
      };
      const watchInstalling = () => registration.installing?.addEventListener("statechange", look);
      look();
      // One that is on its way already is told of by no event any more.
      watchInstalling();
      registration.addEventListener("updatefound", watchInstalling);
    };
    const begin = async () => {
      if (!navigator.onLine) return addEventListener("online", () => void begin(), { once: true });
      const known = await service.getRegistration();
      if (known === undefined && !(await hasRoom(appBytes))) return;
      watch(await service.register("/service-worker.js"));
      const kept = await keptForOffline();
      if (kept !== null && kept.missing > 0)
        warn(
          `Without a network Oat Column would not open here now: ${kept.missing} of its ${kept.files} files are not kept, and could not be fetched again. The log itself is not touched.`,
        );
    };
    const timer = setTimeout(() => void begin().catch(() => {}), 1500);
    return () => {
      clearTimeout(timer);
      service.removeEventListener("message", answer);
    };
  }, [copy, warn]);
  const takeOver = useCallback(() => {
    if (waiting === null) return;
    if (hasUnsaved())
      return setRefusal(" Save or empty what you are writing, and take or leave what is on show, first.");
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => setRefusal(" Close the other tabs of Oat Column first.");
    navigator.serviceWorker.addEventListener("controllerchange", () => location.reload(), { once: true });
    waiting.postMessage("take over", [port2]);
  }, [waiting]);
  return waiting === null
    ? null
    : {
        text: `A new version is here. It takes over once all tabs of Oat Column have been closed.${refusal}`,
        takeOver,
      };
}
