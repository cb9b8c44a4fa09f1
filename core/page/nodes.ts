import { defaultTreeAdapter, type DefaultTreeAdapterTypes as Tree } from 'parse5';

/** All nodes below one, in document order, what templates hold included; iterative, so that depth costs no stack. */
export function* documentNodes(root: Tree.ParentNode): Generator<Tree.ChildNode> {
  const waiting: Tree.ChildNode[] = [...root.childNodes].reverse();
  while (waiting.length > 0) {
    const node = waiting.pop() as Tree.ChildNode;
    yield node;
    if (!defaultTreeAdapter.isElementNode(node)) continue;
    if (node.tagName === 'template' && 'content' in node) waiting.push(...[...(node as Tree.Template).content.childNodes].reverse());
    for (let at = node.childNodes.length - 1; at >= 0; at--) waiting.push(node.childNodes[at] as Tree.ChildNode);
  }
}
