import { MovedFlies } from '../../fly/MovedFlies.tsx';
import { useDrawerHistory } from '../../fly/drawers/history.ts';

/** What the last change in the drawers did to the flies. */
export function ChangedFlies() {
  const { told, working } = useDrawerHistory();
  if (!told && !working) return null;
  return (
    <MovedFlies
      words={working ? 'Solving the flies that use it.' : (told?.words ?? '')}
      changes={told?.changes ?? []}
      working={working}
      onSeen={() => useDrawerHistory.setState({ told: null })}
    />
  );
}
