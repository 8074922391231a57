import type { ComponentProps } from 'react';
import Markdown, { type Components } from 'react-markdown';
import remarkGfm from 'remark-gfm';

function Head({ children }: ComponentProps<'h1'>) {
  return <p className="font-bold">{children}</p>;
}

/** Pictures of other places aren't loaded: whoever keeps them would learn who reads this, and when. */
function Picture({ src, alt }: ComponentProps<'img'>) {
  const href = typeof src === 'string' ? src : '';
  return <Away href={href}>{alt || 'A picture'}</Away>;
}

function Away({ href, children }: ComponentProps<'a'>) {
  if (!href) return <span>{children}</span>;
  return (
    <a href={href} target="_blank" rel="noopener noreferrer">
      {children}
    </a>
  );
}

const PARTS: Components = {
  h1: Head,
  h2: Head,
  h3: Head,
  h4: Head,
  h5: Head,
  h6: Head,
  img: Picture,
  a: Away,
};

const PLUGINS = [remarkGfm];

function RichTextBody({ text }: { text: string }) {
  return (
    <Markdown remarkPlugins={PLUGINS} components={PARTS}>
      {text}
    </Markdown>
  );
}

export default RichTextBody;
