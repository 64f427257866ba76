import { onlineManager } from '@tanstack/react-query';
import { lazy, type ReactNode, useEffect, useState } from 'react';
import { Button } from './Button';
import { Notice } from './Notice';

type Part<P> = (props: P) => ReactNode;

/** `picture` goes without saying: the page is whole without it. */
type PartKind = 'part' | 'picture';

/**
 * A part of a page whose code is fetched when it is first shown. One that does not
 * come (the connection went just then) leaves the page around it as it is, says so
 * in its own place, and comes when it can.
 *
 * @param fetch brings the file that has it.
 * @param of takes it out of the file.
 */
export function lazyPart<F, P extends object>(fetch: () => Promise<F>, of: (file: F) => Part<P>, kind: PartKind = 'part') {
  const bring = async (): Promise<Part<P>> => of(await fetch());
  return lazy(async () => ({ default: await bring().catch(() => missing(bring, kind)) }));
}

/** Stands for a part until it is there. */
function missing<P extends object>(bring: () => Promise<Part<P>>, kind: PartKind): Part<P> {
  return function Missing(props) {
    const [come, setCome] = useState<{ Part: Part<P> }>();
    const again = () => {
      void bring().then(
        (Part) => setCome({ Part }),
        () => undefined,
      );
    };
    // Another page may have brought it since.
    useEffect(() => {
      again();
      return onlineManager.subscribe((online) => online && again());
    }, []);
    if (come) return <come.Part {...props} />;
    if (kind === 'picture') return null;
    return (
      <Notice
        kind="note"
        title="A part of this page is not on this device yet"
        action={<Button small label="Fetch it" onPress={again} />}
      >
        It comes by itself when there is a connection. The rest of the page works.
      </Notice>
    );
  };
}
