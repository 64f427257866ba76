import { useEffect, useMemo, useRef, useState } from 'react';

/** What plays a clip: a film, or something drawn. */
export interface Player {
  /** Seconds from the beginning. */
  at: number;
  seconds: number;
  playing: boolean;
  /** Times as fast as it was. */
  speed: number;
  play: () => void;
  pause: () => void;
  seek: (second: number) => void;
  setSpeed: (speed: number) => void;
  /** The very moment, between two draws. */
  now: () => number;
}

export const SPEEDS = [1, 0.5, 0.25, 0.1] as const;

/** A clock for what is drawn: it runs with the screen, and stops at the end. */
export function useDrawnPlayer(seconds: number): Player {
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<number>(1);
  /** Where it was at some moment of the page's own clock. */
  const from = useRef({ at: 0, clock: 0 });
  const now = () =>
    playing ? Math.min(seconds, from.current.at + ((performance.now() - from.current.clock) / 1000) * speed) : from.current.at;
  const put = (second: number) => {
    from.current = { at: Math.max(0, Math.min(seconds, second)), clock: performance.now() };
    setAt(from.current.at);
  };
  const moment = useRef(now);
  useEffect(() => {
    moment.current = now;
  });
  useEffect(() => {
    if (!playing) return;
    let frame = requestAnimationFrame(function step() {
      const second = moment.current();
      setAt(second);
      if (second >= seconds) {
        from.current = { at: seconds, clock: 0 };
        return setPlaying(false);
      }
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, seconds]);
  return {
    at,
    seconds,
    playing,
    speed,
    now,
    play() {
      put(from.current.at >= seconds ? 0 : from.current.at);
      setPlaying(true);
    },
    pause() {
      put(now());
      setPlaying(false);
    },
    seek: put,
    setSpeed(next) {
      put(now());
      setSpeed(next);
    },
  };
}

/** @returns stops listening. */
function listen(film: HTMLVideoElement, events: readonly string[], heard: () => void): () => void {
  for (const name of events) film.addEventListener(name, heard);
  return () => events.forEach((name) => film.removeEventListener(name, heard));
}

/** Beyond the end of any film. */
const BEYOND = 1e9;

/** A film may not say how long it is (those that browsers record do not): its end is looked for, once. */
function withItsEnd(film: HTMLVideoElement): () => void {
  let sought = false;
  const look = () => {
    if (film.duration === Number.POSITIVE_INFINITY && !sought) {
      sought = true;
      film.currentTime = BEYOND;
    } else if (sought && Number.isFinite(film.duration)) {
      sought = false;
      film.currentTime = 0;
    }
  };
  return listen(film, ['loadedmetadata', 'durationchange'], look);
}

/** A film that was chosen, played by the browser's own means. */
export function useFilmPlayer(film: HTMLVideoElement | null): Player | undefined {
  const [, drawn] = useState(0);
  useEffect(() => (film ? withItsEnd(film) : undefined), [film]);
  useEffect(() => {
    if (!film) return;
    const again = () => drawn((count) => count + 1);
    const events = ['timeupdate', 'play', 'pause', 'seeked', 'ratechange', 'loadedmetadata', 'durationchange', 'ended'];
    return listen(film, events, again);
  }, [film]);
  const acts = useMemo(
    () =>
      film && {
        play: () => void film.play().catch(() => undefined),
        pause: () => film.pause(),
        seek: (second: number) => {
          film.currentTime = second;
        },
        setSpeed: (speed: number) => {
          film.playbackRate = speed;
        },
        now: () => film.currentTime,
      },
    [film],
  );
  if (!film || !acts || !Number.isFinite(film.duration)) return undefined;
  return { ...acts, at: film.currentTime, seconds: film.duration, playing: !film.paused, speed: film.playbackRate };
}
