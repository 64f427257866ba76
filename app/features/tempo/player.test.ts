import { act, renderHook } from '@testing-library/react-native';
import { useFilmPlayer } from './player';

/** As much of a film as its player asks for. */
class Film {
  currentTime = 0;
  duration = NaN;
  paused = true;
  playbackRate = 1;
  private readonly listeners = new Map<string, Set<() => void>>();
  addEventListener = (name: string, listen: () => void) =>
    void this.listeners.set(name, (this.listeners.get(name) ?? new Set()).add(listen));
  removeEventListener = (name: string, listen: () => void) => void this.listeners.get(name)?.delete(listen);
  happens = (name: string) => act(() => this.listeners.get(name)?.forEach((listen) => listen()));
  heard = () => [...this.listeners.values()].reduce((sum, { size }) => sum + size, 0);
}
const player = (film: Film) => renderHook(() => useFilmPlayer(film as unknown as HTMLVideoElement));

describe('a film', () => {
  it('is played once it says how long it is', () => {
    const film = new Film();
    const { result, unmount } = player(film);
    expect(result.current).toBeUndefined();
    film.duration = 4;
    film.happens('loadedmetadata');
    expect(result.current).toMatchObject({ at: 0, seconds: 4, playing: false });
    expect(film.currentTime).toBe(0);
    act(() => result.current!.seek(1.5));
    film.happens('seeked');
    expect(result.current).toMatchObject({ at: 1.5 });
    unmount();
    expect(film.heard()).toBe(0);
  });

  it('that does not say it is gone through to its end once, and stands at its beginning then', () => {
    const film = new Film();
    const { result } = player(film);
    film.duration = Number.POSITIVE_INFINITY;
    film.happens('loadedmetadata');
    expect(film.currentTime).toBeGreaterThan(1e6);
    expect(result.current).toBeUndefined();
    film.duration = 3.97;
    film.currentTime = 3.97;
    film.happens('durationchange');
    expect(film.currentTime).toBe(0);
    expect(result.current).toMatchObject({ seconds: 3.97 });
    film.currentTime = 2;
    film.happens('durationchange');
    expect(film.currentTime).toBe(2);
  });
});
