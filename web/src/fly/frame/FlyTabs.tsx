import { BarTabs, type BarTab } from '../../shared/ui/BarTabs.tsx';

/** The views of a fly. A view's digit is its own for good; one that is not built yet has none on the bar. */
export const viewsOf = (id: string): readonly BarTab[] => [
  { key: '1', name: 'Bench', to: `/fly/${id}`, command: 'Bench of this fly', also: 'drawing parts lengths hook' },
  {
    key: '2',
    name: 'Balance',
    to: `/fly/${id}/balance`,
    command: 'Balance of this fly',
    also: 'keel eyes weight heavier lighter find weights heel roll sink current scatter hands',
  },
  { key: '3', name: 'Sizes', to: `/fly/${id}/sizes`, command: 'Sizes of this fly', also: 'run gauge card table pins' },
  {
    key: '4',
    name: 'Sheet',
    to: `/fly/${id}/sheet`,
    command: 'Sheet of this fly',
    also: 'order tying steps cut lengths print pdf',
  },
  {
    key: '5',
    name: 'Water',
    to: `/fly/${id}/water`,
    command: 'Water of this fly',
    also: 'line leader depth count beat current swing',
  },
  {
    key: '6',
    name: 'Inspect',
    to: `/fly/${id}/inspect`,
    command: 'Inspect flies of this pattern',
    also: 'photo photograph camera picture finished specimen measured jar drift',
  },
];

export const FlyTabs = ({ id }: { readonly id: string }) => (
  <BarTabs source="fly" label="Views of the fly" tabs={viewsOf(id)} />
);
