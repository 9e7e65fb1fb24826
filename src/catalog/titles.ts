import type { MenuPage } from '@/core/card/setupCard';
import { AXES } from '@/core/axes/axes';
import { SHAPED_AXES, type ShapedAxis } from '@/core/formats/titleJson';
import type { TitleTraits } from '@/core/ready/preflight';
import {
  CAUSEWAY_CAR_MENU,
  CAUSEWAY_DIALECTS,
  HILL_AND_HOLLOW_CAR_MENU,
  HILL_AND_HOLLOW_DIALECTS,
  MILLSTONE_CAR_MENU,
  MILLSTONE_DIALECTS,
  type AxisDialects,
  type CarMenu,
} from './dialects';

/** A title as the catalogue knows it: how it writes each axis, how it behaves before it runs, what is driven there. */
export interface Title {
  id: string;
  name: string;
  about: string;
  carIds: readonly string[];
  trackIds: readonly string[];
  dialects: AxisDialects;
  carMenu: CarMenu;
  /** Its pages of menus, in the order in which one comes through them. */
  pages: readonly MenuPage[];
  /** Passes the base's rotation on against its own setting, or stretches it over the car's lock and has none. */
  rotation: 'direct' | 'stretch';
  /** How often it gives a new force, Hz, and whether that is known or taken as usual. */
  forceHz: number;
  knowsForceHz: boolean;
  /** Labels of fields of which it is only taken as usual what their numbers mean. */
  unsure: readonly string[];
  traits: TitleTraits;
}

/** Every control, some of them first and the wheel last. */
const everyControl = (...first: ShapedAxis[]): ShapedAxis[] => [
  ...new Set([...first, ...SHAPED_AXES.filter((axis) => axis !== 'steering'), 'steering' as const]),
];
const EVERY_CONTROL = everyControl();

export const TITLES: readonly Title[] = [
  {
    id: 'causeway',
    name: 'Causeway',
    about: 'historic saloons, long races on a tidal road circuit',
    carIds: ['marl-850', 'fenwick-six', 'spindrift-h4'],
    trackIds: ['saltmarsh-loop', 'quarry-pan'],
    dialects: CAUSEWAY_DIALECTS,
    carMenu: CAUSEWAY_CAR_MENU,
    pages: [
      // One page for each thing that can be set of a control, with all controls on it.
      { path: 'Tides › Where they begin', layer: 'title', axes: EVERY_CONTROL, fields: ['deadzone'] },
      { path: 'Tides › Where they are full', layer: 'title', axes: EVERY_CONTROL, fields: ['saturation'] },
      { path: 'Tides › How they rise', layer: 'title', axes: EVERY_CONTROL, fields: ['linearity'] },
      { path: 'Helm', layer: 'title', axes: ['steering'], except: ['deadzone', 'saturation', 'linearity'] },
      { path: 'Garage › Steering', layer: 'car', axes: ['steering'] },
    ],
    rotation: 'direct',
    forceHz: 100,
    knowsForceHz: true,
    unsure: [],
    traits: { ownProgram: 'open', mode: 'wide', bindsInOwnPreset: false, quickSweep: false },
  },
  {
    id: 'hill-and-hollow',
    name: 'Hill & Hollow',
    about: 'single-seaters against the clock, one at a time',
    carIds: ['spindrift-h4', 'fenwick-six', 'marl-850'],
    trackIds: ['saltmarsh-loop', 'cairn-brae', 'quarry-pan'],
    dialects: HILL_AND_HOLLOW_DIALECTS,
    carMenu: HILL_AND_HOLLOW_CAR_MENU,
    pages: [
      {
        path: 'Options › Axes',
        layer: 'title',
        axes: everyControl('brake'),
      },
      { path: 'Car › Cockpit', layer: 'car', axes: ['steering', 'throttle'] },
    ],
    rotation: 'direct',
    forceHz: 333,
    knowsForceHz: true,
    unsure: [],
    traits: { ownProgram: 'shut', mode: 'wide', bindsInOwnPreset: true, quickSweep: false },
  },
  {
    id: 'millstone',
    name: 'Millstone',
    about: 'heavy trucks on a short ring',
    carIds: ['dray-55'],
    trackIds: ['millrace-ring', 'quarry-pan'],
    dialects: MILLSTONE_DIALECTS,
    carMenu: MILLSTONE_CAR_MENU,
    pages: [
      { path: 'Cab › Pedals', layer: 'title', axes: ['clutch', 'brake', 'throttle'] },
      { path: 'Cab › Wheel', layer: 'title', axes: ['steering'] },
      {
        path: 'Cab › Levers',
        layer: 'title',
        axes: SHAPED_AXES.filter((axis) => AXES[axis].limb !== 'Foot' && axis !== 'steering'),
      },
    ],
    rotation: 'stretch',
    forceHz: 60,
    knowsForceHz: true,
    unsure: [],
    traits: { ownProgram: 'either', mode: 'plain', bindsInOwnPreset: false, quickSweep: true },
  },
];
