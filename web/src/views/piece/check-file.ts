import type { Detail } from '../../api/client';
import { bytes } from '../../lib/words';

type Takes = Detail['takes'];

/** Endings that promise what the first bytes say; others are taken at their word. */
const PROMISES: Record<string, readonly string[]> = {
  pdf: ['pdf'],
  png: ['png'],
  jpg: ['jpg'],
  jpeg: ['jpg'],
  gif: ['gif'],
  webp: ['webp'],
  zip: ['zip'],
  docx: ['docx', 'zip'],
  xlsx: ['xlsx', 'zip'],
  pptx: ['pptx', 'zip'],
  odt: ['odt', 'zip'],
  ods: ['ods', 'zip'],
};

function ending(name: string): string {
  const dot = name.lastIndexOf('.');
  return dot < 0 ? '' : name.slice(dot + 1).toLowerCase();
}

export function typeList(types: readonly string[]): string {
  return types.map((type) => `.${type}`).join(', ');
}

/** What is wrong with a file before anything of it is sent; nothing if it can go. */
export async function fileFault(file: File, takes: Takes, lying: number): Promise<string | null> {
  if (lying >= takes.maxFiles) return `At most ${takes.maxFiles} files are taken here. Remove one first.`;
  if (file.size === 0) return `${file.name} is empty. Save it again where you made it, then choose it anew.`;
  if (file.size > takes.maxFileBytes) {
    return `${file.name} is ${bytes(file.size)}; at most ${bytes(takes.maxFileBytes)} are taken. Make it smaller or split it.`;
  }
  const type = ending(file.name);
  if (takes.fileTypes.length > 0 && !takes.fileTypes.includes(type)) {
    return `${file.name} is not among the types taken here: ${typeList(takes.fileTypes)}. Save or export it as one of these.`;
  }
  const promised = PROMISES[type];
  if (!promised) return null;
  const { fileTypeFromBlob } = await import('file-type');
  const found = await fileTypeFromBlob(file.slice(0, 64 * 1024)).catch(() => undefined);
  if (found && promised.includes(found.ext)) return null;
  const isWhat = found ? `a .${found.ext} file` : 'something else';
  return `${file.name} is named .${type}, but what is in it is ${isWhat}. Export it again as ${typeList([type])}.`;
}
