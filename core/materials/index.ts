export { alloyInUse, alloyNamed, ALLOYS, mixedDensity, type Alloy } from './alloys.ts';
export { cameSection, type Came, type CameSection } from './cameSection.ts';
export { backingFor, foilFor, type Backing, type FoilChoice } from './foil.ts';
export { wantedSupplies, type WantedSupply } from './wanted.ts';
export { JOINT_G, seamSection, segmentArea } from './solder.ts';
export {
  allFoil,
  CAME_LENGTH_MM,
  materialsOf,
  type FoilTaken,
  type GlassEdge,
  type Materials,
  type MaterialsFinding,
  type MaterialsWish,
} from './materials.ts';
