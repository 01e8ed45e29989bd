import type { LaidFly } from '../solve/layFly.ts';

/** The fly as far as it is tied: the same geometry with what comes later absent. @param drawn ids of the parts that are on it @param headed whether the head is built */
export function stageOf(laid: LaidFly, drawn: readonly string[], headed: boolean): LaidFly {
  const on = new Set(drawn.map((id) => id.toLowerCase()));
  const parts = laid.parts.filter((part) => on.has(part.file.id.toLowerCase()));
  const owners = new Set(laid.parts.filter((part) => !parts.includes(part)).map((part) => part.built.id));
  const { thread } = laid;
  const bare = headed
    ? thread
    : {
        ...thread,
        headMm: null,
        forms: thread.forms.filter((form) => form.kind !== 'thread' || !form.head),
        sections: thread.sections.filter((section) => section.owner !== 'head'),
      };
  return {
    ...laid,
    parts,
    thread: bare,
    sections: laid.sections.filter(
      (section) => !owners.has(section.owner) && (headed || section.owner !== 'head' || thread.headMm === null),
    ),
  };
}
