import { SheetPending } from '../../fly/tyings/SheetPending.tsx';
import { useSheet } from '../../fly/tyings/useSheet.ts';
import { useBench } from '../../fly/store.ts';
import { AtTheVise } from './AtTheVise.tsx';
import { useAtVise } from './useAtVise.ts';

/** The fly on the bench, tied step by step. */
export function ViseView() {
  const { answer, again } = useSheet();
  const id = useBench((state) => state.id);
  const atVise = useAtVise(id);
  if (!atVise)
    return (
      <main className="p-6 text-ink2" role="status">
        Fetching how it was tied before
      </main>
    );
  if (!answer) return <SheetPending again={again} />;
  return <AtTheVise key={answer.sheet.id} {...answer} fly={id} out={`/fly/${id}/sheet`} atVise={atVise} />;
}
