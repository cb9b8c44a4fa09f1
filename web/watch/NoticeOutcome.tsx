import { Check, X } from 'lucide-react';
import type { noticeWords } from '../../core/wording/index.ts';

/** How somebody who was told of changes took it, and what it was about. */
export function NoticeOutcome({ words, about, testId }: { readonly words: ReturnType<typeof noticeWords>; readonly about: string; readonly testId: string }) {
  const Sign = words.good ? Check : X;
  return (
    <p className={`notice mt-3 ${words.good ? 'notice-good' : 'notice-bad'}`} data-testid={testId}>
      <span className="flex items-start gap-2">
        <Sign size={17} className="mt-0.5 flex-none" aria-hidden />
        <span className="min-w-0 [overflow-wrap:anywhere]">
          <strong>{words.title}.</strong> {words.text} {about !== '' && <span className="soft block text-note">{about}</span>}
        </span>
      </span>
    </p>
  );
}
