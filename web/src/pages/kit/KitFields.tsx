import { METRIC } from '@saltflat/core/units';
import { useState } from 'react';
import { useUnits } from '../../units/writingSlice.ts';
import {
  CheckField,
  CheckSet,
  ChoiceField,
  ColourField,
  DateTimeField,
  FieldProblem,
  FileDrop,
  Form,
  NumberField,
  QuantityField,
  RadioField,
  ReasonSelect,
  Row,
  SearchField,
  SelectField,
  SliderField,
  Split,
  Stack,
  SuggestField,
  TextField,
  useToast,
} from '../../ui/index.ts';

/** What is typed in. */
export function KitFields() {
  const system = useUnits();
  const tell = useToast();
  const [text, setText] = useState('Four fingers below the collar');
  const [plateC, setPlate] = useState<number | null>(150);
  const [slipC, setSlip] = useState<number | null>(150);
  const [widthMm, setWidth] = useState<number | null>(280);
  const [dwellS, setDwell] = useState<number | null>(90);
  const [cents, setCents] = useState<number | null>(1250);
  const [due, setDue] = useState('2026-11-30T16:00');
  const [search, setSearch] = useState('');
  const [hex, setHex] = useState('#0b6b73');
  const [choke, setChoke] = useState(0.2);
  return (
    <Form label="Fields" onSubmit={() => tell({ words: 'Sent by Enter.' })}>
      <Split columns="1fr 1fr" gap={8}>
        <TextField label="Text" value={text} onChange={setText} keepsRoom />
        <TextField label="With a fault" value="" problem="Say who it is for." onChange={setText} />
        <QuantityField
          label="Temperature"
          kind="temperature"
          system={system}
          value={plateC}
          onChange={setPlate}
        />
        <QuantityField label="Length" kind="length" system={system} value={widthMm} onChange={setWidth} />
        <QuantityField label="Time" kind="duration" system={METRIC} value={dwellS} onChange={setDwell} />
        <QuantityField
          label="A slip: type 320"
          kind="temperature"
          system={METRIC}
          value={slipC}
          onChange={setSlip}
        />
        <NumberField label="Money" isMoney value={cents} onChange={setCents} keepsRoom />
        <NumberField label="A number" unit="g/m²" value={165} onChange={() => undefined} keepsRoom />
        <DateTimeField label="Due" value={due} onChange={setDue} keepsRoom />
        <TextField label="Not now" value="on the floor already" disabled onChange={setText} keepsRoom />
      </Split>
      <TextField label="Several lines" lines={2} value={text} onChange={setText} />
      <Row>
        <SearchField
          label="Search"
          placeholder="Search, Escape empties"
          value={search}
          onChange={setSearch}
        />
        <ColourField label="Pick the colour" hex={hex} onChange={setHex} />
        <span className="code">{hex}</span>
      </Row>
      <SliderField
        label="Choke"
        shown={`${choke.toFixed(2)} mm`}
        min={0}
        max={0.6}
        step={0.01}
        value={choke}
        onChange={setChoke}
        hint="White drawn back from the edge."
      />
      <FileDrop
        label="A picture"
        accept={{ 'image/png': ['.png'] }}
        acceptWords="PNG"
        words="Choose a file"
        isEmpty
        isBusy={false}
        problem=""
        onFiles={([file]) => file && tell({ words: `“${file.name}” was dropped.` })}
      >
        <p className="muted">Drop a picture here</p>
      </FileDrop>
    </Form>
  );
}

const BLANKS = [
  { id: 'tee', label: 'Harbour tee', says: '100 % cotton' },
  { id: 'hoodie', label: 'Breakwater hoodie', says: '80 % cotton, 20 % polyester' },
  { id: 'bib', label: 'Marker bib', says: '100 % polyester' },
];
const COLOURS = [
  { id: 'navy', label: 'Navy (dark)', hex: '#1b2a4a' },
  { id: 'white', label: 'White (light)', hex: '#ffffff' },
];
const PROCESSES = [
  { value: 'film', label: 'Film transfer' },
  { value: 'direct', label: 'Direct print' },
] as const;

/** What is chosen. */
export function KitChoices() {
  const tell = useToast();
  const [blank, setBlank] = useState('tee');
  const [colour, setColour] = useState('navy');
  const [customer, setCustomer] = useState('');
  const [state, setState] = useState('open');
  const [film, setFilm] = useState('cold');
  const [process, setProcess] = useState<'film' | 'direct'>('film');
  const [isOn, setOn] = useState(true);
  const [seen, setSeen] = useState<string[]>(['dull']);
  return (
    <Stack>
      <ChoiceField
        label="One of many, or a new one"
        value={blank}
        choices={BLANKS}
        recent="kit"
        create={{
          words: (typed) => `Add “${typed}” to the blanks`,
          onCreate: (typed) => tell({ words: `“${typed}”` }),
        }}
        onChange={setBlank}
      />
      <ChoiceField label="With its colour" value={colour} choices={COLOURS} onChange={setColour} />
      <SuggestField
        label="Free text with suggestions"
        value={customer}
        suggestions={['Gull Rock Kite Club', 'The Mooring Café']}
        onChange={setCustomer}
      />
      <Split columns="1fr 1fr" gap={8}>
        <SelectField
          label="One of a few"
          value={state}
          options={[
            { value: 'open', label: 'open' },
            { value: 'done', label: 'done' },
            { value: 'gone', label: 'not now', disabled: true },
          ]}
          keepsRoom
          onChange={setState}
        />
        <ReasonSelect
          label="With reasons"
          value={film}
          options={[
            { value: 'cold', label: 'Tarn cold peel', says: 'fits the powder' },
            { value: 'hot', label: 'Tarn hot peel', says: 'the powder is for cold film', disabled: true },
          ]}
          keepsRoom
          onChange={setFilm}
        />
      </Split>
      <RadioField label="In a row" options={PROCESSES} value={process} onChange={setProcess} />
      <RadioField label="As tiles" look="tiles" options={PROCESSES} value={process} onChange={setProcess} />
      <RadioField
        label="As a list, with what each gives"
        look="list"
        options={[
          { value: 'film', label: 'Film transfer', says: 'bright on anything, felt on the garment' },
          { value: 'direct', label: 'Direct print', says: 'soft, wants cotton and pretreatment' },
        ]}
        value={process}
        onChange={setProcess}
      />
      <CheckField label="Yes or no" isChecked={isOn} onChange={setOn} />
      <CheckSet
        label="Any of a few"
        options={[
          { value: 'dull', label: 'dull' },
          { value: 'cracked', label: 'cracked' },
        ]}
        chosen={seen}
        problem={seen.length === 0 ? 'Choose at least one.' : undefined}
        onChange={setSeen}
      />
      <FieldProblem>What is wrong with a group of fields.</FieldProblem>
    </Stack>
  );
}
