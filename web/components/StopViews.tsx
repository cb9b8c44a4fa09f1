import { Suspense, type ComponentType } from 'react';
import { useLocation } from 'react-router';
import type { Stop } from '../../core/checks/index.ts';
import { Boundary } from '../ui/index.ts';
import { isWay, Views, WaitingView, type ViewName } from './Views.tsx';

/** A stop with several ways to work: the ways side by side, and the screen of the one that the address names, else of the first. */
export function StopViews<V extends readonly [ViewName, ...ViewName[]]>({
  stop,
  name,
  label,
  views,
  screens,
}: {
  readonly stop: Stop;
  readonly name: string;
  readonly label: string;
  readonly views: V;
  readonly screens: Readonly<Record<V[number]['id'], ComponentType>>;
}) {
  const asked = useLocation().pathname.split('/')[4] ?? '';
  const current: V[number]['id'] = isWay(views, asked) ? asked : views[0].id;
  const Screen: ComponentType = screens[current];
  return (
    <>
      <Views stop={stop} label={label} views={views} current={current} />
      <Boundary place={current}>
        <Suspense fallback={<WaitingView name={name} />}>
          <Screen />
        </Suspense>
      </Boundary>
    </>
  );
}
