import { GLOSSARY } from '@jobbet/core/data';
import { HouseBar } from '../../shared/ui/HouseBar.tsx';

const LENGTHS: readonly (readonly [string, string])[] = [
  ['1.2 shank', 'a share of the shank; also gap, wire, hook, body, head space'],
  ['31 mm, 5/32 in, .020"', 'a plain measure; fractions and a decimal comma are read too'],
  ['35, 1/8', 'a bare number takes the unit that is shown, once the blank is left; a setting asks it back'],
  ['120 %, 1¼x, 1.2 shanks', 'the same as 1.2 shank'],
  ['1.5..2 shank', 'a band: the middle is the target'],
  ['tail + 2 mm', 'as long as the tail and a little more'],
  ['same as tail', 'just as long'],
  ['at most gap', 'nine tenths of it, and never more'],
];
const PLACES: readonly (readonly [string, string])[] = [
  ['bend, point, barb, eye, head, mid, rear', 'landmarks of the hook'],
  ['station 2', 'two tenths of the shank from the eye'],
  ['bend + 0.6 shank', 'behind the bend'],
  ['eyes.rear, tail.tip, body.front', 'the edge of another part'],
  ['between point and barb', 'the middle of the two'],
  ['half way along wing', 'from its last binding to its tip'],
  ['against eye', 'touching it'],
  ['round 1.5 mm', 'along the wire past the bend'],
];

function Table({ rows }: { readonly rows: readonly (readonly [string, string])[] }) {
  return (
    <dl className="mb-5">
      {rows.map(([what, means]) => (
        <div key={what} className="flex gap-4 py-1 border-b border-hair">
          <dt className="w-64 shrink-0 italic text-measure">{what}</dt>
          <dd>{means}</dd>
        </div>
      ))}
    </dl>
  );
}

export function HelpView() {
  return (
    <div className="flex flex-col h-full">
      <HouseBar title="Help" />
      <main tabIndex={0} className="p-4 max-w-3xl overflow-auto leading-relaxed">
        <p className="mb-4">
          A fly is laid out on its hook, part by part. Every length is a relation to something already there, so that it
          follows when the hook or another part changes. The drawing, the weight, the ride and the sinking speed come
          from the same shapes.
        </p>
        <h2 className="text-part font-bold">How a length is written</h2>
        <Table rows={LENGTHS} />
        <h2 className="text-part font-bold">How a place is written</h2>
        <Table rows={PLACES} />
        <p className="mb-5">
          On a tube, <i>shank</i> is the length of the tube and <i>bend</i> its rear end; on a bare shank they are its
          own length and rear. <i>gap</i>, <i>point</i> and <i>barb</i> are those of the hook behind, and there are none
          while no hook is named. On a jig the shank is counted from the front of its bent leg. When a fly is put on
          another platform its relations stay and take their new measures; what could not follow is listed and keeps the
          measure it had.
        </p>
        <Doing />
        <h2 className="text-part font-bold">What to believe</h2>
        <p className="mb-3">
          Masses of metal, how firmly it rides and the eyes that turn it over are exact within the model. Level sinking
          and the swing that rolls a fly are good to some ten per cent. Nose-first sinking of soft flies is least
          certain. Each figure of a fly, asked why, says how far off it may be and by what; more than a quarter stands
          beside it. Bought eyes are often drilled or flattened and weigh 0.6 to 0.8 of the full solid: weigh a pair and
          write it in.
        </p>
        <h2 className="text-part font-bold">Checks and schools</h2>
        <p className="mb-3">
          A school is a set of relations with bands and reasons. A fly follows one, any part may leave it. Checks speak
          of what costs fish, strength or looks; a note is only worth knowing. A fix is shown on the drawing first, with
          what is said of the fly then; T, Y and U show and take the first three, L leaves. A check that does not matter
          on a fly is left with a reason, which the fly keeps. Limits and the rules of your waters lie in the drawers;
          the real rules are yours to look up.
        </p>
        <h2 className="text-part font-bold">Take care</h2>
        <p className="mb-3">
          Lead: wash hands and keep it out of mouths; some waters ban it. Glue, solvent and resin want air and gloves.
          Hook points, blades and flying barbs want eye protection. Local rules come first; they are yours to look up.
        </p>
        <h2 className="text-part font-bold">Words</h2>
        <Table rows={GLOSSARY} />
        <h2 className="text-part font-bold">Keys</h2>
        <p>
          Press <span className="plain-key">?</span> for the keys of the view you are in,{' '}
          <span className="plain-key">K</span> for everything by name.
        </p>
      </main>
    </div>
  );
}

/** What is done in each view. */
function Doing() {
  return (
    <>
      <h2 className="text-part font-bold">Pulling</h2>
      <p className="mb-5">
        On the picked part everything square, every diamond and every pair of arrows can be pulled, in the profile or
        the plan: tip, tie-in, bindings, both ends of a span, how thick a clump is, where a ball sits; and with the hook
        picked its head space. The number in the relation changes, not the relation. A pull comes to rest on quarters,
        thirds and halves, on landmarks and on what other parts reach to, and says which; Ctrl frees it.
      </p>
      <h2 className="text-part font-bold">Balance</h2>
      <p className="mb-5">
        The further the bronze line lies outside the inner circle, the harder the fly is turned back to its rest; the
        chevrons run toward it. Turn the dial by its knob, or turn the side current up until the push reaches the bronze
        and the fly gives way. The finder tries eyes, beads, cones and turns of wire for what you wish: a press shows
        one on the fly, another takes it. A name underlined with dots answers why its figure is what it is.
      </p>
      <p className="mb-5">
        How alike yours come out: it ties the fly ten thousand times, each time a little off the plan, and tells how
        many ride as meant and what to mind. Write in how far off your own hands are, and slide one thing off to see
        what it does. A fall that was timed corrects the drag of that fly; the factor is kept with it.
      </p>
      <h2 className="text-part font-bold">The sheet and the vise</h2>
      <p className="mb-5">
        The parts are tied in the order of the list. What one part asks of another stands with the checks, and on the
        sheet one key puts the parts in order; a step is dragged, or moved by [ and ] on its number. Where tiers differ
        another way is chosen beside the steps, and what it changes is said. E makes a PDF, on one page where it fits. G
        takes the fly to the vise. There Space or a tap goes on, the left arrow goes back, C counts a turn, F shows the
        far side, W writes what differs; N begins the next one. “By eye” names what on the hook or the fly is as long. A
        fly left in the middle is taken up where it was; times and what differed are kept with the fly.
      </p>
      <h2 className="text-part font-bold">Sizes and the gauge card</h2>
      <p className="mb-5">
        A run is the fly on other hooks. Write in a cell to pin it; emptied it follows again. A size saved as a fly
        knows its run and can be brought up to it. The gauge card is the run at true size: print it at actual size,
        measure its 50 mm bar, and where it is not 50 mm write what it is, so that the next print is right. On the
        screen it is true once a bank card or a caliper has calibrated it.
      </p>
    </>
  );
}
