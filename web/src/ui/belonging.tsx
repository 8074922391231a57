import { ExternalLink } from 'lucide-react';

/** The page or file that belongs to an announcement, at the school. */
function Belonging({ address, title }: { address: string; title: string }) {
  const name = address.split('/').at(-1) ?? '';
  const isFile = /^[\w.-]+\.[a-z0-9]{2,4}$/i.test(name);
  return (
    <a
      href={address}
      target="_blank"
      rel="noreferrer"
      className="inline-flex items-center gap-1.5 text-[14px] underline underline-offset-2"
    >
      {isFile ? name : 'Read more at the school'}
      <ExternalLink size={13} aria-hidden />
      <span className="sr-only">, in a new tab: {title}</span>
    </a>
  );
}

export { Belonging };
