/** What the shapes mean, in words. */
function Legend() {
  return (
    <ul className="no-print flex h-[28px] shrink-0 items-center justify-end gap-x-4 border-line border-t bg-raised px-5 text-[13px] text-ink-2 max-lg:hidden">
      <li className="flex items-center gap-1.5">
        <svg width="42" height="12" aria-hidden>
          <path d="M1 6 H38" stroke="var(--yours)" strokeWidth="2" />
          <path d="M1 6 H16" stroke="var(--yours)" strokeWidth="5" />
          <path d="M39 0 v12" stroke="var(--ink)" strokeWidth="2" />
        </svg>
        how far, to its due
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="34" height="12" aria-hidden>
          <rect x="0" y="2" width="11" height="9" fill="var(--loss)" opacity="0.25" />
          <rect x="11" y="5" width="11" height="6" fill="var(--loss)" opacity="0.45" />
          <rect x="22" y="8" width="11" height="3" fill="var(--loss)" opacity="0.65" />
        </svg>
        what is kept when late
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="26" height="12" aria-hidden>
          <path d="M1 2 H24 v5" fill="none" stroke="var(--wait)" strokeWidth="1.5" strokeDasharray="3 2" />
        </svg>
        room to extend
      </li>
      <li className="flex items-center gap-1.5">
        <svg width="10" height="12" aria-hidden>
          <path d="M1 2 h8 l-4 6 Z" fill="var(--paper)" stroke="var(--wait)" strokeWidth="1.4" />
        </svg>
        safe by
      </li>
    </ul>
  );
}

export { Legend };
