import { lazy, Suspense } from 'react';
import { Boundary } from './boundary';

const fetchBody = () => import('./rich-text-body');
const RichTextBody = lazy(fetchBody);

/** Fetches what draws rich text, so that it is there with the text itself. */
function fetchRichText(): void {
  void fetchBody().catch(() => undefined);
}

/** Text of others with its lists, emphasis and links. What would be a program or a tag in it is only shown as text. */
function RichText({ text }: { text: string }) {
  return (
    <div className="rich-text">
      <Boundary instead={<p className="whitespace-pre-line">{text}</p>}>
        <Suspense fallback={<p className="invisible whitespace-pre-line">{text}</p>}>
          <RichTextBody text={text} />
        </Suspense>
      </Boundary>
    </div>
  );
}

export { fetchRichText, RichText };
