import { lazy, Suspense } from 'react';

const RichTextBody = lazy(() => import('./rich-text-body'));

/** Text of others with its lists, emphasis and links. What would be a program or a tag in it is only shown as text. */
function RichText({ text }: { text: string }) {
  return (
    <div className="rich-text">
      <Suspense fallback={<p className="whitespace-pre-line">{text}</p>}>
        <RichTextBody text={text} />
      </Suspense>
    </div>
  );
}

export { RichText };
