"use client";

import { useCallback, useEffect, useState } from "react";

/** Forms in which something was typed that is not yet saved. */
const typedIn = new WeakSet<HTMLFormElement>();

function noteTyping(event: Event): void {
  const { form } = event.target as HTMLInputElement;
  if (form) typedIn.add(form);
}

function noteSubmit(event: Event): void {
  typedIn.delete(event.target as HTMLFormElement);
}

function unsaved(): boolean {
  return [...document.forms].some((form) => typedIn.has(form) && [...form.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>("input, textarea")].some(({ value }) => value !== ""));
}

/** A version of the application that is ready to take over: what is said of it, and the way to ask for it now. */
export interface NewVersion { text: string; takeOver: () => void }

/**
 * Keeps the application for use without a network, and tells when a new version waits. It never takes over by itself while a tab is
 * open, and when asked to, only if this is the only tab and nothing half-written would be lost.
 */
export function useNewVersion(): NewVersion | null {
  const [waiting, setWaiting] = useState<ServiceWorker | null>(null);
  const [refusal, setRefusal] = useState("");
  useEffect(() => {
    const service = navigator.serviceWorker as ServiceWorkerContainer | undefined;
    if (service === undefined || process.env.NODE_ENV !== "production") return;
    document.addEventListener("input", noteTyping);
    document.addEventListener("submit", noteSubmit);
    const watch = (registration: ServiceWorkerRegistration) => {
      // Without a version in charge the first one simply begins.
      const look = () => { if (registration.waiting && service.controller) setWaiting(registration.waiting); };
      look();
      registration.addEventListener("updatefound", () => registration.installing?.addEventListener("statechange", look));
    };
    const begin = () => { if (!navigator.onLine) { addEventListener("online", begin, { once: true }); return; } void service.register("/service-worker.js").then(watch).catch(() => {}); };
    const timer = setTimeout(begin, 1500);
    return () => {
      clearTimeout(timer);
      removeEventListener("online", begin);
      document.removeEventListener("input", noteTyping);
      document.removeEventListener("submit", noteSubmit);
    };
  }, []);
  const takeOver = useCallback(() => {
    if (waiting === null) return;
    if (unsaved()) return setRefusal(" Save or empty what you are writing first.");
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => setRefusal(" Close the other tabs of Oat Column first.");
    navigator.serviceWorker.addEventListener("controllerchange", () => location.reload(), { once: true });
    waiting.postMessage("take over", [port2]);
  }, [waiting]);
  return waiting === null ? null : { text: `A new version is here. It takes over once all tabs of Oat Column have been closed.${refusal}`, takeOver };
}
