import { useQuery } from '@tanstack/react-query';
import {
  GlobalWorkerOptions,
  getDocument,
  type PDFDocumentProxy,
  type PDFPageProxy,
  RenderingCancelledException,
} from 'pdfjs-dist';
import PdfWorker from 'pdfjs-dist/build/pdf.worker.min.mjs?worker';
import { type ReactNode, useEffect, useRef, useState } from 'react';
import { Loading } from '../../ui/states';

GlobalWorkerOptions.workerPort = new PdfWorker();

/** What the reader needs beside its program: fonts that a file doesn't bring, character maps, a decoder. */
const SHIPPED = {
  standardFontDataUrl: '/pdf/standard_fonts/',
  cMapUrl: '/pdf/cmaps/',
  wasmUrl: '/pdf/wasm/',
  iccUrl: '/pdf/iccs/',
  useWasm: false,
  isEvalSupported: false,
} as const;

async function open(url: string): Promise<PDFDocumentProxy> {
  const answer = await fetch(url);
  if (!answer.ok) throw new Error(`${answer.status}`);
  return getDocument({ data: await answer.arrayBuffer(), ...SHIPPED }).promise;
}

interface PdfPagesProps {
  url: string;
  /** What lies over a page, from 1. */
  over: (page: number) => ReactNode;
}

/** All pages of a PDF under each other, each drawn when it comes near the screen. */
function PdfPages({ url, over }: PdfPagesProps) {
  const document = useQuery({
    queryKey: ['pdf', url],
    queryFn: () => open(url),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    retry: 1,
    structuralSharing: false,
  });
  if (document.isError) {
    return (
      <p className="bg-raised p-4">
        This file can’t be shown as a PDF. Download it as it was handed in; the words of the marks are beside
        it.
      </p>
    );
  }
  if (!document.data) return <Loading rows={3} />;
  const file = document.data;
  return (
    <div className="mx-auto flex max-w-[1100px] flex-col gap-3">
      {Array.from({ length: file.numPages }, (_, index) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a page has no other name than its place
        <Page key={index} file={file} number={index + 1}>
          {over(index + 1)}
        </Page>
      ))}
    </div>
  );
}

interface PageProps {
  file: PDFDocumentProxy;
  number: number;
  children: ReactNode;
}

const A4 = 297 / 210;

function Page({ file, number, children }: PageProps) {
  const [page, setPage] = useState<PDFPageProxy | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const near = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const frame = near.current;
    if (!frame) return;
    const watch = new IntersectionObserver(
      (seen) => {
        if (!seen.some((one) => one.isIntersecting)) return;
        watch.disconnect();
        void file.getPage(number).then(setPage);
      },
      { rootMargin: '800px' },
    );
    watch.observe(frame);
    return () => watch.disconnect();
  }, [file, number]);
  useEffect(() => {
    const sheet = canvas.current;
    if (!page || !sheet) return;
    const plain = page.getViewport({ scale: 1 });
    const wide = sheet.clientWidth * Math.min(2, window.devicePixelRatio || 1);
    const viewport = page.getViewport({ scale: wide / plain.width });
    sheet.width = viewport.width;
    sheet.height = viewport.height;
    const drawing = page.render({ canvas: sheet, viewport });
    drawing.promise.catch((error: unknown) => {
      if (!(error instanceof RenderingCancelledException)) throw error;
    });
    return () => drawing.cancel();
  }, [page]);
  const size = page?.getViewport({ scale: 1 });
  return (
    <div
      ref={near}
      className="relative bg-[#fff]"
      style={{ aspectRatio: size ? `${size.width} / ${size.height}` : `1 / ${A4}` }}
    >
      <canvas ref={canvas} role="img" aria-label={`Page ${number}`} className="block h-full w-full" />
      {page && children}
    </div>
  );
}

export default PdfPages;
