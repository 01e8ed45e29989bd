import { pageSvg, type Page, type TextWidth } from '@jobbet/core/drawing';
import { useEffect, useState } from 'react';
import { createPortal, flushSync } from 'react-dom';

const FACE = "'Sofia Sans Semi Condensed Variable', 'Sofia Sans Semi Condensed', sans-serif";
/** Words are measured so large, px, that no rounding shows. */
const MEASURED_PX = 100;

/** Measures words in the typeface of the screen, which is that of the paper. */
export function screenWidth(): TextWidth {
  const context = document.createElement('canvas').getContext('2d');
  return (text, sizeMm, bold) => {
    if (!context) return 0.45 * text.length * sizeMm;
    context.font = `${bold ? '700' : '400'} ${String(MEASURED_PX)}px ${FACE}`;
    return (context.measureText(text).width / MEASURED_PX) * sizeMm;
  };
}

/** Says to styles that what is printed are pages, and not the view. */
const PRINTS = 'prints-pages';

/**
 * What the browser prints of a view: the very pages its PDF has, and not the screen. Made only when something is printed, by whatever key
 * or menu.
 */
export function PrintedPages({ make }: { readonly make: () => readonly Page[] }) {
  const [pages, setPages] = useState<readonly Page[]>([]);
  useEffect(() => {
    const before = (): void => {
      // The browser lays out what it prints as soon as this returns.
      flushSync(() => setPages(make()));
      document.body.classList.add(PRINTS);
    };
    const after = (): void => {
      document.body.classList.remove(PRINTS);
      setPages([]);
    };
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
      after();
    };
  }, [make]);
  const [first] = pages;
  if (!first) return null;
  return createPortal(
    <div className="printed-pages">
      <style>{`@page { size: ${String(first.widthMm)}mm ${String(first.heightMm)}mm; margin: 0; }`}</style>
      {pages.map((page, i) => (
        // The string is made of plain figures and escaped words.
        <div key={i} className="printed-page" dangerouslySetInnerHTML={{ __html: pageSvg(page) }} />
      ))}
    </div>,
    document.body,
  );
}
