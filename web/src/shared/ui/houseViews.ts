import type { BarTab } from './BarTabs.tsx';

/** A view of the boathouse, with the key that leads there from anywhere. */
interface HouseView extends BarTab {
  readonly anywhere?: string;
}

/** The views of the boathouse. A view's digit is its own for good; one that is not built yet has none on the bar. */
export const HOUSE: readonly HouseView[] = [
  { key: '1', anywhere: 'b', name: 'Box', to: '/', command: 'Open the box', also: 'home flies list' },
  {
    key: '2',
    name: 'Batches',
    to: '/batches',
    command: 'Open the batches',
    also: 'batch many dozen rack evenings coats shopping prep',
  },
  { key: '3', name: 'Log', to: '/log', command: 'Open the log', also: 'outings fished catch season dates' },
  { key: '4', name: 'Drill', to: '/drill', command: 'Open the drill', also: 'practice train eye quiz' },
  {
    key: '5',
    anywhere: 'd',
    name: 'Drawers',
    to: '/drawers',
    command: 'Open the drawers',
    also: 'hooks materials threads weights stock rules',
  },
];
