import type { LaidFly } from '@jobbet/core/model';
import { whyOf, type Asked } from '@jobbet/core/study';
import type { ReactNode } from 'react';
import { useStyle } from '../../shared/settings/settings.ts';
import { AskWhy } from './AskWhy.tsx';
import { Trust } from './Trust.tsx';

interface WhyButtonProps {
  readonly asked: Asked;
  readonly laid: LaidFly;
  /** What the figure is called; a plain "why?" where its name stands beside it. */
  readonly children?: ReactNode;
  readonly className?: string;
}

/** Asks a figure of a fly why, and how far to trust it. */
export function WhyButton({ asked, laid, children, className }: WhyButtonProps) {
  const style = useStyle();
  return (
    <AskWhy
      name={asked}
      told={() => whyOf(asked, laid, style)}
      more={<Trust asked={asked} laid={laid} style={style} />}
      {...(className === undefined ? {} : { className })}
    >
      {children}
    </AskWhy>
  );
}
