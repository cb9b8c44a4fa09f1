import { graphlib, layout } from '@dagrejs/dagre';
import type { GraphNode } from '../../../core/structured-data/index.ts';
import { JOIN_WORDS } from '../../../core/wording/index.ts';

export interface DrawnNode {
  readonly id: string;
  readonly name: string;
  readonly type: string;
  readonly x: number;
  readonly y: number;
  readonly main: boolean;
}
export interface DrawnEdge {
  readonly from: string;
  readonly to: string;
  readonly words: string;
  readonly points: readonly { readonly x: number; readonly y: number }[];
  readonly at: { readonly x: number; readonly y: number };
}
export interface Drawing {
  readonly nodes: readonly DrawnNode[];
  readonly edges: readonly DrawnEdge[];
  readonly width: number;
  readonly height: number;
}

/** Size of a box, in px. */
export const BOX = { width: 172, height: 46 } as const;
/** Parts of things that are no things of their own to look at. */
const PARTS = new Set([
  'ImageObject',
  'ListItem',
  'Question',
  'Answer',
  'HowToStep',
  'PostalAddress',
  'OpeningHoursSpecification',
  'PropertyValue',
  'AggregateRating',
]);
const MOST = 14;

type Written = Readonly<Record<string, unknown>>;
const isWritten = (value: unknown): value is Written => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Lays the things of a graph out, with the joins between them. */
export function drawingOf(graph: readonly GraphNode[]): Drawing {
  const drawn = new graphlib.Graph({ multigraph: true });
  drawn.setGraph({ rankdir: 'TB', nodesep: 26, ranksep: 50, marginx: 8, marginy: 8 });
  drawn.setDefaultEdgeLabel(() => ({}));
  const names = new Map<string, { readonly name: string; readonly type: string }>();
  const edges: { from: string; to: string; property: string }[] = [];
  const known = new Set(graph.map((node) => node['@id']));
  const put = (id: string, node: Written): void => {
    const type = [node['@type']].flat().filter((one): one is string => typeof one === 'string');
    names.set(id, { name: nameOf(node, type[0] ?? ''), type: type.join(', ') });
  };
  for (const node of graph) {
    const id = node['@id'];
    put(id, node);
    for (const [property, value] of Object.entries(node)) {
      if (property.startsWith('@') || property === 'mainEntityOfPage') continue;
      for (const one of [value].flat()) {
        if (!isWritten(one)) continue;
        const to = one['@id'];
        if (typeof to === 'string') {
          if (known.has(to) && to !== id) edges.push({ from: id, to, property });
        } else if (typeof one['@type'] === 'string' && !PARTS.has(one['@type']) && names.size < MOST) {
          const inner = `${id} ${property}`;
          put(inner, one);
          edges.push({ from: id, to: inner, property });
        }
      }
    }
  }
  const shown = [...names].slice(0, MOST);
  const visible = new Set(shown.map(([id]) => id));
  for (const [id] of shown) drawn.setNode(id, { ...BOX });
  const joined = edges.filter(({ from, to }) => visible.has(from) && visible.has(to));
  for (const [at, { from, to, property }] of joined.entries()) drawn.setEdge(from, to, { width: 76, height: 16, labelpos: 'c', property }, String(at));
  layout(drawn);
  const { width = 0, height = 0 } = drawn.graph();
  const page = graph.find((node) => node['@id'].endsWith('#webpage'));
  const told = [page?.['mainEntity']].flat().find(isWritten)?.['@id'];
  const main = typeof told === 'string' && known.has(told) ? told : page?.['@id'];
  return {
    width,
    height,
    nodes: shown.map(([id, { name, type }]) => {
      const { x, y } = drawn.node(id) as { x: number; y: number };
      return { id, name, type, x, y, main: id === main };
    }),
    edges: drawn.edges().map((edge) => {
      const laid = drawn.edge(edge) as { points: { x: number; y: number }[]; x?: number; y?: number; property: string };
      const middle = laid.points[Math.floor(laid.points.length / 2)] ?? { x: 0, y: 0 };
      return {
        from: edge.v,
        to: edge.w,
        words: JOIN_WORDS[laid.property] ?? laid.property,
        points: laid.points,
        at: { x: laid.x ?? middle.x, y: laid.y ?? middle.y },
      };
    }),
  };
}

function nameOf(node: Written, type: string): string {
  for (const property of ['name', 'headline', 'title', 'price', 'url']) {
    const value = node[property];
    if (typeof value === 'string' && value !== '') return property === 'price' ? `${value} ${String(node['priceCurrency'] ?? '')}`.trim() : value;
  }
  const list = node['itemListElement'];
  if (Array.isArray(list)) return list.flatMap((one) => (isWritten(one) && typeof one['name'] === 'string' ? [one['name']] : [])).join(' › ');
  return type;
}
