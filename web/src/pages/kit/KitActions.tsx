import { useState } from 'react';
import {
  ArrowDown,
  ArrowUp,
  Button,
  Close,
  FileButton,
  IconButton,
  MenuButton,
  Pressable,
  Row,
  RowLink,
  Rows,
  Stack,
  Tabs,
  ToggleField,
  TwoLines,
} from '../../ui/index.ts';

const nothing = (): void => undefined;
const FLOWS = [
  { value: 'one', label: 'One by one' },
  { value: 'all', label: 'All together' },
] as const;

/** What is pressed: buttons by weight and size, what is under way, what stays pressed. */
export function KitActions() {
  const [isOn, setOn] = useState(true);
  const [flow, setFlow] = useState<'one' | 'all'>('one');
  const [tab, setTab] = useState<'first' | 'second'>('first');
  const [file, setFile] = useState('');
  return (
    <Stack>
      <Row>
        <Button look="primary">Primary</Button>
        <Button>Second</Button>
        <Button look="quiet">Quiet</Button>
        <Button hint="k">With its key</Button>
      </Row>
      <Row>
        <Button look="primary" isBusy>
          Under way
        </Button>
        <Button disabled>Not now</Button>
        <Button isPressed={isOn} look={isOn ? 'primary' : 'second'} onClick={() => setOn(!isOn)}>
          Stays pressed
        </Button>
        <Button size="small">Small</Button>
      </Row>
      <Row>
        <Button size="large">For a glove</Button>
        <Button size="huge" look="primary" hint="Space">
          Start
        </Button>
      </Row>
      <Row>
        <IconButton label="Earlier" onClick={nothing}>
          <ArrowUp fontSize="small" />
        </IconButton>
        <IconButton label="Later" onClick={nothing} disabled>
          <ArrowDown fontSize="small" />
        </IconButton>
        <IconButton label="Remove" onClick={nothing}>
          <Close fontSize="small" />
        </IconButton>
        <MenuButton
          choices={[
            { key: 'a', label: 'First', onChoose: nothing },
            { key: 'b', label: 'On or off', isChecked: isOn, onChoose: () => setOn(!isOn) },
            { key: 'c', label: 'Not now', disabled: true, onChoose: nothing },
          ]}
        >
          More
        </MenuButton>
        <FileButton size="small" label="A file" accept=".txt" onFile={({ name }) => setFile(name)}>
          {file === '' ? 'Choose a file' : file}
        </FileButton>
      </Row>
      <ToggleField label="One of two" options={FLOWS} value={flow} onChange={setFlow} />
      <Row>
        <Pressable look="tile" isExpanded={isOn} onClick={() => setOn(!isOn)}>
          Plate <strong>150 °C</strong>
        </Pressable>
        <Pressable look="words" onClick={() => setOn(!isOn)}>
          and 3 checks
        </Pressable>
      </Row>
      <Rows>
        <li>
          <Pressable isCurrent onClick={nothing}>
            <TwoLines>
              <strong>Version 2</strong>
              <span className="muted small">the one that is looked at</span>
            </TwoLines>
          </Pressable>
        </li>
        <li>
          <RowLink to="/kit">A row that leads somewhere</RowLink>
        </li>
      </Rows>
      <Tabs
        label="Parts"
        tabs={[
          { value: 'first', label: 'First part' },
          { value: 'second', label: 'Second part' },
        ]}
        value={tab}
        onChange={setTab}
      >
        <p style={{ padding: 12 }}>What the {tab} part shows.</p>
      </Tabs>
    </Stack>
  );
}
