import { KitActions } from './KitActions.tsx';
import { KitChoices, KitFields } from './KitFields.tsx';
import { KitOverlays } from './KitOverlays.tsx';
import { KitStates } from './KitStates.tsx';
import { KitTables } from './KitTables.tsx';
import { Columns, PageHead, Panel } from '../../ui/index.ts';

/** Every piece that pages are made of, in every state it can be in: what is changed here changes everywhere. */
export function KitPage() {
  return (
    <>
      <PageHead
        title="The kit"
        says="Every piece pages are made of, in every state. All names and numbers are made up."
      />
      <Columns least={420} gap={16} style={{ alignItems: 'start' }}>
        <Panel title="Buttons and what is pressed" pad={16}>
          <KitActions />
        </Panel>
        <Panel title="Fields" pad={16}>
          <KitFields />
        </Panel>
        <Panel title="Choices" pad={16}>
          <KitChoices />
        </Panel>
        <Panel title="States" pad={16}>
          <KitStates />
        </Panel>
        <Panel title="Over the page" pad={16}>
          <KitOverlays />
        </Panel>
      </Columns>
      <div style={{ marginTop: 16 }}>
        <KitTables />
      </div>
    </>
  );
}
