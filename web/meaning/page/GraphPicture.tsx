import { useMemo } from 'react';
import type { GraphNode } from '../../../core/structured-data/index.ts';
import { BOX, drawingOf } from './graph.ts';

const cut = (text: string, most: number): string => (text.length > most ? `${text.slice(0, most - 1).trimEnd()}…` : text);

/** The page's graph as a picture: things as boxes, joins as arrows with their words. The same is told as a list to those who listen. */
export function GraphPicture({ nodes, address }: { readonly nodes: readonly GraphNode[]; readonly address: string }) {
  const drawing = useMemo(() => drawingOf(nodes), [nodes]);
  const nameOf = (id: string): string => drawing.nodes.find((node) => node.id === id)?.name ?? id;
  return (
    <div className="panel overflow-x-auto p-3">
      <svg
        className="graph"
        role="img"
        aria-label={`The things of ${address} and how they are joined`}
        viewBox={`0 0 ${drawing.width} ${drawing.height}`}
        style={{ width: drawing.width, minWidth: Math.min(drawing.width, 540) }}
      >
        <defs>
          <marker id="arrow" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="8" markerHeight="8" orient="auto-start-reverse">
            <path d="M0 0 8 4 0 8z" fill="currentColor" />
          </marker>
        </defs>
        {drawing.edges.map(({ from, to, words, points, at }) => (
          <g key={`${from} ${to} ${words}`} className="graph-edge">
            <path
              d={points.map(({ x, y }, index) => `${index === 0 ? 'M' : 'L'}${x} ${y}`).join(' ')}
              fill="none"
              stroke="currentColor"
              markerEnd="url(#arrow)"
            />
            <text x={at.x} y={at.y + 4} textAnchor="middle">
              {words}
            </text>
          </g>
        ))}
        {drawing.nodes.map(({ id, name, type, x, y, main }) => (
          <g key={id} transform={`translate(${x - BOX.width / 2} ${y - BOX.height / 2})`} className={main ? 'graph-node graph-main' : 'graph-node'}>
            <title>
              {name}: {type}
            </title>
            <rect width={BOX.width} height={BOX.height} rx={7} />
            <text x={12} y={19} className="graph-name">
              {cut(name, 24)}
            </text>
            <text x={12} y={36} className="graph-type">
              {cut(type, 26)}
            </text>
          </g>
        ))}
      </svg>
      <ul className="sr-only">
        {drawing.edges.map(({ from, to, words }) => (
          <li key={`${from} ${to} ${words}`}>
            {nameOf(from)}, {words} {nameOf(to)}
          </li>
        ))}
      </ul>
    </div>
  );
}
