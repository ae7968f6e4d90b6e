"use client";

import { useEffect, useState } from "react";

/** Two short tones, made here. */
function sound(): void {
  try {
    const audio = new AudioContext();
    [0, 0.22].forEach((delay) => {
      const tone = audio.createOscillator();
      const volume = audio.createGain();
      tone.frequency.value = 660;
      volume.gain.value = 0.15;
      tone.connect(volume).connect(audio.destination);
      tone.start(audio.currentTime + delay);
      tone.stop(audio.currentTime + delay + 0.12);
    });
    setTimeout(() => void audio.close(), 1000);
  } catch {
    // A browser without sound still shows the time.
  }
}

/** The ends that were told: the next set in front draws the rest anew, and must not tell it again. */
const told = new Set<number>();

/**
 * Seconds left of a rest, below zero once it is over; null when none runs. It goes by the clock, not by ticks, so a
 * screen that slept shows what is true when it wakes. At the end it sounds and shakes, where that is allowed, unless
 * the end passed long before anyone could notice.
 */
export function useRest(until: number | null): number | null {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (until === null) return;
    const look = () => {
      const time = Date.now();
      setNow(time);
      if (time < until || told.has(until)) return;
      told.add(until);
      if (time - until > 5000) return;
      sound();
      navigator.vibrate?.([200, 100, 200]);
    };
    look();
    const timer = setInterval(look, 250);
    document.addEventListener("visibilitychange", look);
    return () => {
      clearInterval(timer);
      document.removeEventListener("visibilitychange", look);
    };
  }, [until]);
  return until === null ? null : Math.ceil((until - now) / 1000);
}
