import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { OperationLine } from '@/core/drafting/operationLine';
import type { Model } from '@/core/procedure/model';
import type { Fields } from './fieldsForm';

/** A device that nobody has written down yet: its lines as they are typed, and what else is known of it. */
export interface UnknownDevice {
  readonly maker: string;
  readonly name: string;
  readonly lines: readonly Partial<OperationLine>[];
  /** What the checker still says, by its rules: notes that are left as they are. */
  readonly warnings: readonly string[];
  /** By what the list of every field calls the thing. */
  readonly fields: readonly (readonly [of: string, fields: Fields])[];
}

const worth = (gradeA: number): Fields => ({
  'Grade A': gradeA,
  'Grade B': Math.round(gradeA * 0.8),
  'Grade C': Math.round(gradeA * 0.5),
  'Grade D': Math.round(gradeA * 0.2),
});
const minutes = (likely: number): Fields => ({ High: likely * 2, Likely: likely, Low: likely / 2 });

/** A rugged scanner: half-turn door, captive and treated screws, glued window with a sensor on it, axle pressed in. */
export const scanner: UnknownDevice = {
  maker: 'Fennick',
  name: 'Heron 9',
  warnings: ['drive-unknown', 'drive-unknown'],
  lines: [
    { title: 'Switch it off and prove it', face: 'Back up', minutes: '.5' },
    { title: 'Turn the battery door open', opens: 'half-turn door', frees: 'battery door', after: '1', minutes: '.3' },
    { title: 'Take the battery out', opens: 'socket battery', frees: 'battery', after: '2', minutes: '.2' },
    { title: 'Take the caps off', tool: 'Tweezers', opens: 'cap upper, cap lower', after: '3', minutes: '.4' },
    {
      title: 'Unscrew the back',
      tool: 'Hexalobular driver T6',
      opens: '4 T6 6.0, 2 XZ9',
      after: '4',
      minutes: '1',
    },
    { title: 'Raise the back', tool: 'Hands', opens: 'clip back', after: '5', minutes: '.4' },
    { title: 'Free the trigger ribbon', tool: 'Plastic pick', opens: 'ribbon trigger', after: '6', minutes: '.4' },
    { title: 'Take the back off', tool: 'Hands', opens: 'tab back', frees: 'back', after: '7', minutes: '.2' },
    {
      title: 'Desolder the clock cell',
      tool: 'Soldering iron',
      opens: 'solder clock',
      frees: 'clock cell',
      after: '8',
      minutes: '2',
    },
    { title: 'Unplug the window', tool: 'Plastic pick', opens: 'plug window', after: '8', minutes: '.3' },
    {
      title: 'Cut the seal of the window',
      face: 'Glass up',
      tool: 'Thin pick',
      opens: 'glue window',
      after: '10',
      minutes: '4',
    },
    { title: 'Lift the window set out', tool: 'Hands', frees: 'window set', minutes: '.5' },
    { title: 'Scrape the gasket off', tool: 'Plastic pick', opens: 'sheet gasket', frees: 'gasket', minutes: '2' },
    {
      title: 'Take the sensor off the window',
      opens: 'clip sensor, plug sensor',
      frees: 'sensor',
      after: '12',
      minutes: '.8',
    },
    {
      title: 'Take the board out',
      face: 'Back off',
      tool: 'Cross-recess driver PH00',
      opens: '3 PH00 4.0, coaxial',
      frees: 'board',
      after: '9, 10',
      minutes: '1.4',
    },
    { title: 'Lift the motor out', tool: 'Tweezers', opens: 'plug motor', frees: 'motor', after: '8', minutes: '.4' },
    {
      title: 'Press the trigger axle out',
      tool: 'Axle punch',
      opens: 'press-fit axle',
      frees: 'trigger',
      after: '15',
      minutes: '1.5',
    },
    { title: 'Wipe the frame', tool: 'Hands', frees: 'frame', after: '12, 15, 16, 17', minutes: '.6' },
  ],
  fields: [
    [
      'the whole model',
      {
        'How to confirm off': 'Hold both keys for ten seconds; the lamp stays dark.',
        'Off when dead': 'Take the battery out, then wait a minute.',
        Tests: ['Charges', 'Picture', 'Vibration', 'Sensors', 'Scan'],
        'Test pack': { Name: 'Bench pack 3.8 V', Joint: 'battery-socket' },
        Postures: [{ Name: 'back raised 40°', Minutes: 0.3 }],
        Tools: [
          { Name: 'Axle punch', Kind: 'metal' },
          { Name: 'Soldering iron', Kind: 'heat' },
          { Name: 'Thin pick', Kind: 'plastic' },
        ],
        Revisions: [{ Id: 'a', 'How to tell it': 'round lamp' }],
      },
    ],
    [
      'face Back up',
      {
        'Where to look': [
          {
            Across: 20,
            Down: 30,
            Kind: 'liquid',
            'Name on the drawing': 'liquid dot',
            'What to ask': 'Is the dot red?',
          },
        ],
        'Zones to keep out of': [
          {
            Across: 2,
            Down: 70,
            Width: 12,
            Height: 10,
            'What may not go there': 'metal',
            'Name on the drawing': 'aerial',
            Because: 'The aerial lies below.',
          },
        ],
      },
    ],
    [
      'joint s1',
      {
        'Stays in its part': true,
        'Hidden by': 'upper-cap',
        'Printed beside it': { 'Letter or number': '1' },
        'Loosened as number': 1,
      },
    ],
    [
      'joint s2',
      { 'Stays in its part': true, 'Printed beside it': { 'Letter or number': '2' }, 'Loosened as number': 2 },
    ],
    [
      'joint s3',
      { 'Stays in its part': true, 'Printed beside it': { Shape: 'triangle', Colour: 'red' }, 'Loosened as number': 3 },
    ],
    ['joint s4', { 'Stays in its part': true, 'Hidden by': 'lower-cap', 'Loosened as number': 4 }],
    ['joint s5', { 'Used once': true, 'Head form': 'flat' }],
    ['joint s6', { 'Used once': true, 'Head form': 'flat' }],
    ['joint trigger-ribbon', { Lock: 'flip' }],
    ['part battery', { 'Heat limit of the cell': 60, 'Rated capacity': 3.2 }],
    ['part clock cell', { 'What it is': 'Clock cell', 'Power first before': 'its own' }],
    ['part gasket', { 'Used once': true }],
    ['part trigger', { 'Seldom survives because': 'The axle splits its bush.', Handling: 'Into a bag with its axle.' }],
    [
      'part window set',
      {
        'Fused into it': ['glass', 'panel, touch and frame'],
        'Moves to its replacement': [
          { Part: 'sensor', Tool: 'Plastic pick', Minutes: minutes(2), 'Chance of breaking': 0.04 },
        ],
        Worth: worth(4200),
      },
    ],
    ['part board', { 'What it is': 'Board', 'Carries personal data': true }],
    [
      'line 1',
      {
        Cautions: [{ What: 'It wakes when it is docked.', 'Do instead': 'Take it off its charger first.' }],
        'Only when': { 'Quick tests': [{ Test: 'Starts', Result: 'OK' }] },
      },
    ],
    [
      'line 2',
      {
        Motion: { Kind: 'rotate', Turn: 90 },
        Hold: { Across: 25, Down: 40, Where: 'at the coin slot', Hand: 'right' },
        'Right when': [{ Kind: 'click', 'What it says': 'It clicks and springs up.' }],
      },
    ],
    [
      'line 6',
      {
        'Opens only so far': { Degrees: 40, Because: 'The trigger ribbon ties it.', Until: 'Free the trigger ribbon' },
        'Second hand': 'holds the body down',
      },
    ],
    ['line 7', { Posture: 'back raised 40°', Unlocks: ['trigger-ribbon'] }],
    [
      'line 9',
      {
        'Certified people only': true,
        Cautions: [{ What: 'Fumes.', 'Do instead': 'Switch the extraction on.' }],
      },
    ],
    [
      'line 11',
      {
        'First: lay out, peel': ['Lay out the clamp, pads on.', 'Peel the film, then stick it over the glass.'],
        Heat: {
          Heater: 'hot plate',
          Surface: 75,
          'Adhesive gives at': 62,
          'Heater’s setting': { 'Heater’s dial': 90, Minutes: 4 },
        },
        Seam: [
          {
            Across: 5,
            Down: 8,
            'To, across': 45,
            'To, down': 8,
            Depth: 3,
            'Tool angle': 20,
            'Leave the pick in': true,
          },
          { Across: 45, Down: 8, 'To, across': 48, 'To, down': 12, Depth: 2, 'A corner: last': true },
        ],
        'When it resists': {
          'Ways to try': [
            {
              'What it says': 'More warmth, two minutes.',
              Minutes: 2,
              'No longer than': 3,
              'Chance of breaking': 0.01,
              Heat: { Heater: 'hot plate', Surface: 80 },
            },
            {
              'What it says': 'Solvent at the seam.',
              Minutes: 3,
              'No longer than': 6,
              'Chance of breaking': 0.02,
              Tool: 'Syringe',
              Solvent: { Name: 'alcohol', 'Air for': 5 },
            },
          ],
          'When to stop': 'Leave the window on and sell it as a set.',
        },
        'Ways it can end': [
          { Id: 'clean', 'What it says': 'The gasket stays on the frame.', Chance: 0.8 },
          {
            Id: 'torn',
            'What it says': 'The gasket comes with the window.',
            Chance: 0.2,
            Frees: ['gasket'],
            Opens: ['gasket-sheet'],
          },
        ],
      },
    ],
    [
      'line 13',
      {
        'Only when': {
          'After these ends': [{ Step: 'Cut the seal of the window', End: 'The gasket stays on the frame.' }],
        },
      },
    ],
    ['line 17', { 'Together with': 'Anvil block' }],
    [
      'line 12',
      {
        'Way back': {
          Tool: 'Roller',
          Posture: 'back raised 40°',
          Seals: true,
          'Uses up': [{ Name: 'window adhesive', 'How many': 1, 'Price of one': 140 }],
          'Closes from': { Edge: 'upper edge', 'Set down off by': 2 },
          'First: lay out, peel': ['Films off, both sides.'],
          'Right when': [{ Kind: 'flush', 'What it says': 'Flush all round, no light through.' }],
          Waits: [
            { Minutes: 10, Fixture: 'clamp', What: 'first grip' },
            {
              Minutes: 20,
              Fixture: 'clamp',
              What: 'full strength',
              'Before this wait': { 'What hands do': 'Turn the clamp.', Minutes: minutes(0.5) },
            },
          ],
          Heat: { Heater: 'hot plate', Surface: 40 },
        },
      },
    ],
  ],
};

/** A tilting deck: threaded cable, cooler with paste, a display that brings its camera, a firmware step, two ways to one part. */
export const deck: UnknownDevice = {
  maker: 'Oddkin',
  name: 'Teal Deck',
  warnings: [],
  lines: [
    { title: 'Cut the power in firmware', face: 'Base up', minutes: '1' },
    { title: 'Draw the card out', opens: 'latch card', frees: 'card', after: '1', minutes: '.2' },
    {
      title: 'Peel the feet off',
      tool: 'Plastic pick',
      opens: 'cap foot left, cap foot right',
      after: '2',
      minutes: '.5',
    },
    { title: 'Unscrew the base', tool: 'Square driver SQ1', opens: '6 SQ1 5.0', after: '3', minutes: '1.6' },
    { title: 'Take the base off', tool: 'Plastic pick', opens: 'clip base', frees: 'base', minutes: '1' },
    { title: 'Lift the battery plug', opens: 'plug battery', after: '5', minutes: '.3' },
    { title: 'Wipe the glue of the battery', tool: 'Dropper', opens: 'glue battery', after: '6', minutes: '3' },
    { title: 'Lift the battery out', tool: 'Hands', frees: 'battery', minutes: '.5' },
    { title: 'Unscrew the cooler', tool: 'Hexalobular driver T5', opens: '4 T5 6.0', after: '6', minutes: '1.2' },
    { title: 'Lift the cooler off', tool: 'Hands', opens: 'sheet paste', frees: 'cooler', minutes: '.6' },
    { title: 'Unplug the display', tool: 'Plastic pick', opens: 'plug display', after: '6', minutes: '.4' },
    { title: 'Draw the aerial through', tool: 'Tweezers', opens: 'threaded aerial', after: '11', minutes: '.6' },
    {
      title: 'Unscrew the hinge',
      tool: 'Cross-recess driver PH1',
      opens: '4 PH1 6.0',
      frees: 'display set',
      after: '12',
      minutes: '1.4',
    },
    { title: 'Cut the display cable', tool: 'Side cutter', opens: 'display-plug', after: '6', minutes: '.2' },
    {
      title: 'Take the lid camera out',
      face: 'Lid open',
      tool: 'Tweezers',
      opens: 'clip camera, plug camera',
      frees: 'camera',
      after: '13',
      minutes: '.8',
    },
    {
      title: 'Take the board out',
      face: 'Base off',
      tool: 'Cross-recess driver PH0',
      opens: '4 PH0 4.0',
      frees: 'board',
      after: '10, 11',
      minutes: '1.8',
    },
    {
      title: 'Lift the speakers out',
      tool: 'Plastic pick',
      opens: 'plug speakers, tab speakers',
      frees: 'speakers',
      after: '5',
      minutes: '.5',
    },
    { title: 'Wipe the deck', tool: 'Hands', frees: 'deck', after: '8, 13, 16, 17', minutes: '.5' },
  ],
  fields: [
    [
      'the whole model',
      {
        'How to confirm off': 'The lamp at the lid stays dark when the lid is opened.',
        'Off in firmware': 'Setup, battery page, “rest”.',
        'Off when dead': 'Unplug the charger and wait ten minutes.',
        Tests: ['Charges', 'Picture', 'Sound', 'Cameras'],
        'What tests run through': [{ Test: 'Cameras', Parts: ['camera'], Joints: ['display-plug'] }],
        Configurations: [
          { Name: 'with camera' },
          { Id: 'plain', Name: 'without camera', 'Parts it lacks': ['camera'] },
        ],
      },
    ],
    ['joint s1', { 'Hidden by': 'foot-left-cap' }],
    ['joint s2', { 'Hidden by': 'foot-right-cap' }],
    ['joint s7', { 'Tightened as number': 1, 'Loosened as number': 4, Torque: { Low: 18, Aim: 20, High: 22 } }],
    ['joint s8', { 'Tightened as number': 2, 'Loosened as number': 3, Torque: { Low: 18, Aim: 20, High: 22 } }],
    ['joint s9', { 'Tightened as number': 3, 'Loosened as number': 2 }],
    ['joint s10', { 'Tightened as number': 4, 'Loosened as number': 1 }],
    ['joint display-plug', { Holds: ['display set'] }],
    ['joint aerial-threaded', { 'Leads to the plug': 'display-plug' }],
    ['part card', { 'In the way of': ['board'] }],
    ['part speakers', { Worth: worth(900) }],
    ['part board', { Worth: worth(6400) }],
    ['part camera', { Worth: worth(700) }],
    ['part battery', { Hazard: { Kind: 'cell', Because: 'It is glued in.' }, 'Heat limit of the cell': 60 }],
    ['part cooler', { 'What it is': 'Cooling' }],
    [
      'part display set',
      {
        'Fused into it': ['glass', 'panel', 'lid'],
        'Moves to its replacement': [
          {
            Part: 'camera',
            Tool: 'Tweezers',
            Minutes: minutes(3),
            Joints: ['camera-clip', 'camera-plug'],
            'Chance of breaking': 0.05,
          },
        ],
      },
    ],
    ['line 1', { 'Takes the power off': true, 'Only when': { 'Quick tests': [{ Test: 'Starts', Result: 'OK' }] } }],
    ['line 5', { Motion: { Kind: 'slide', Toward: 90, Travel: 6, 'Together with': 'lift' } }],
    [
      'line 7',
      {
        Solvent: { Name: 'alcohol', 'Air for': 6 },
        Waits: [{ Minutes: 2, Fixture: 'bench', What: 'the glue softens' }],
        'Tool tip': { Across: 60, Down: 40 },
      },
    ],
    [
      'line 10',
      {
        'Ways it can end': [
          { Id: 'whole', 'What it says': 'The foil stays whole.', Chance: 0.7 },
          {
            Id: 'torn',
            'What it says': 'The foil tears.',
            Chance: 0.3,
            'Owed on the way back': {
              'What it says': 'Lay the foil together',
              Minutes: 1,
              'How it is checked': 'No gap.',
            },
          },
        ],
        'Way back': {
          'Uses up': [{ Name: 'thermal paste', 'How many': 1, 'Price of one': 40 }],
          'Gate before it': {
            What: 'It starts and shows a picture',
            Tests: ['Starts'],
            'With the power on': true,
            'Off again by': 'Hold the key.',
          },
        },
      },
    ],
    [
      'line 13',
      {
        Risks: [{ Part: 'display set', Chance: 0.03, What: 'The panel cracks.' }],
        'Minutes with a finding': [{ 'When found': ['crack'], Minutes: minutes(4) }],
        'Slower while': [{ Part: 'board', Factor: 1.5, Because: 'The driver stands askew.' }],
        'Other tools': [{ Tool: 'Long driver PH1', 'Factor on minutes': 0.9 }],
      },
    ],
    ['line 14', { 'Instead of': 'Unplug the display', Spoils: ['display set'] }],
    [
      'line 16',
      { 'Way back': { 'Comes after': [{ Step: 'Lift the speakers out', Because: 'Their wires run below.' }] } },
    ],
  ],
};

const fileOf = ({ name }: UnknownDevice) =>
  join(__dirname, 'written', `${name.toLowerCase().replaceAll(' ', '-')}.json`);

/** What the editor made of a device, as the test of the editor found it last: other tests take it as a model like any. */
export const writtenModel = {
  read: (device: UnknownDevice) => JSON.parse(readFileSync(fileOf(device), 'utf8')) as Model,
  keep: (device: UnknownDevice, document: Model) =>
    writeFileSync(fileOf(device), `${JSON.stringify(document, null, 2)}\n`),
};
