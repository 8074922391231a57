import clsx from 'clsx';
import type { Detail } from '../../api/client';
import { useStudent } from '../../frame/student';
import { useNow } from '../../lib/now';
import { near } from '../../lib/time';
import { count } from '../../lib/words';
import { TextButton } from '../../ui/button';
import { New } from './words';

export type Post = Detail['material']['thread'][number];

/** How much of what others wrote has been read: "5 by others, 2 of them new". */
export function readWords(thread: readonly Post[]): string {
  const others = thread.filter((post) => post.author !== 'STUDENT');
  const unread = others.filter((post) => post.unread).length;
  if (others.length === 0) return 'Nobody else has written yet.';
  const all = `${count(others.length, 'post')} by others`;
  return unread === 0 ? `${all}, all of them read.` : `${all}, ${unread} of them new.`;
}

interface ThreadProps {
  thread: readonly Post[];
  /** Begins a reply to a post; nothing where none can be written. */
  onReply?: ((post: Post) => void) | undefined;
}

/** What was written in a discussion, in order: by others, by the teacher, and one's own. */
function Thread({ thread, onReply }: ThreadProps) {
  const { zone } = useStudent();
  const now = useNow();
  if (thread.length === 0) return null;
  return (
    <ol className="mb-3 flex flex-col gap-3">
      {thread.map((post) => {
        const own = post.author === 'STUDENT';
        const answered = thread.find((one) => one.id !== null && one.id === post.answers);
        return (
          <li
            key={`${post.at} ${post.id}`}
            className={clsx('pl-3', own ? 'border-yours border-l-[3px]' : 'border-line border-l')}
          >
            <p className="flex flex-wrap items-baseline gap-x-2 text-[14px]">
              {post.unread && <New />}
              <b className="font-semibold">{own ? `${post.name}, my own` : post.name}</b>
              {post.author === 'TEACHER' && <span className="text-ink-2">teacher</span>}
              {answered && <span className="text-ink-2">to {answered.name}</span>}
              <span className="ml-auto whitespace-nowrap text-ink-2">{near(post.at, zone, now)}</span>
            </p>
            <p className="whitespace-pre-line">{post.body}</p>
            {onReply && post.id !== null && (
              <TextButton onClick={() => onReply(post)} className="text-ink-2">
                Reply to {post.name}
              </TextButton>
            )}
          </li>
        );
      })}
    </ol>
  );
}

export { Thread };
