/** What a cook does with a cut by hand and eye: how to tell it is done, where the probe goes, how it is opened up. */
export interface CutWords {
  signs: string;
  probe: string;
  carving: string;
}

/** By cut; where a cut has none of its own, those of its kind. Figures in braces are put into the reader's units. */
const OWN: Record<string, CutWords> = {
  'brisket-whole': {
    signs:
      'Push the probe into the flat in three places: no push needed. Lifted in the middle, both ends hang. The flat decides; the point is ready before it.',
    probe: 'From the side into the thickest part of the flat, under the point, clear of the seam of fat.',
    carving:
      'Part point from flat along the seam. Flat across its grain, {6 mm} slices; turn it where the grain turns; the point for slices, or for cubes that go back on with sauce.',
  },
  'brisket-flat': {
    signs: 'A probe needs no push at the middle nor at either end. A slice hangs over a finger and parts with a light pull.',
    probe: 'From the end, along the grain, into the middle.',
    carving: 'Across the grain in {6 mm} slices; a little thicker where it crumbles.',
  },
  'brisket-point': {
    signs: 'A probe needs no push anywhere but in fat; pressed with a finger, the dent stays.',
    probe: 'From the side into the thickest part, clear of the big pockets of fat.',
    carving: 'Chopped, or in {25 mm} cubes: sauced, and back on bare for an hour.',
  },
  'beef-plate-ribs': {
    signs: 'A probe needs no push between every two bones; a bone turns in the hand. The middle one decides.',
    probe: 'From the end between two bones, into the thickest meat, off the bone.',
    carving: 'Between the bones, one each; the sheet below the bones off first.',
  },
  'beef-chuck-ribs': {
    signs: 'A probe needs no push between the bones; the meat has drawn back a finger’s width.',
    probe: 'Between the middle bones, off the bone.',
    carving: 'Between the bones, one each.',
  },
  'beef-back-ribs': {
    signs: 'Held by one end it bends until the surface cracks; a bone turns a little.',
    probe: 'Between two middle bones, along the rack; the meat is thin, so several times.',
    carving: 'Between the bones, two each.',
  },
  'beef-chuck-roast': {
    signs: 'A probe needs no push in two places; a fork turned in the middle parts it.',
    probe: 'From the side into the thickest part, clear of seams of fat.',
    carving: 'Chopped, or across the grain in {10 mm} slices while it still holds together.',
  },
  'beef-cheek': {
    signs: 'A probe needs no push through the whole of it, the white sinew included.',
    probe: 'From the side through the middle; each one, they differ.',
    carving: 'Pulled in thick pieces, or across in {15 mm} slices.',
  },
  'tri-tip': {
    signs: 'Springy to the finger; the number at the thick end decides, after the rest.',
    probe: 'From the thin end into the middle of the thick one.',
    carving: 'Two grains meet in it: cut it in two there, then across each, {5 mm} slices.',
  },
  'rib-roast': {
    signs: 'Springy to the finger; the number in the middle decides, after the rest.',
    probe: 'From the end into the middle of the eye, off the bone.',
    carving: 'Bones off first, then {12 mm} slices.',
  },
  'eye-of-round': {
    signs: 'Firm and springy; the number in the middle decides, after the rest.',
    probe: 'From the end along the middle.',
    carving: 'Across the grain, as thin as the knife goes: {3 mm}.',
  },
  'pork-butt': {
    signs: 'The blade bone turns and comes out clean, and a probe needs no push beside it and on the far side. The bone decides.',
    probe: 'From the side opposite the bone into the thick middle.',
    carving: 'Bone out, fat out; pulled in strands, not minced; its juice caught, skimmed and given back.',
  },
  'pork-butt-split': {
    signs: 'A probe needs no push through the thickest of each half.',
    probe: 'From the cut side into the middle.',
    carving: 'Pulled in strands, not minced; its juice caught, skimmed and given back.',
  },
  'spare-rib-bones': {
    signs: 'The meat has drawn back from the bone and a probe needs no push; each bone is done on its own.',
    probe: 'Beside the bone, off it; of a few.',
    carving: 'As they are.',
  },
  'chicken-butterflied': {
    signs: 'The leg moves loosely at the joint. The number decides, in the thigh and in the breast.',
    probe: 'Deep in the thigh, off the bone; then the breast.',
    carving: 'Legs off at the joint, the breast through the middle.',
  },
  'turkey-butterflied': {
    signs: 'The leg gives at the joint. The number decides, in the breast and in the thigh.',
    probe: 'The deepest of the breast; a second one in the thigh.',
    carving: 'Legs off, breasts off whole and across in {8 mm} slices, thighs off the bone.',
  },
  'pork-picnic': {
    signs: 'The shank bone turns freely; a probe needs no push under the skin.',
    probe: 'Into the thickest part, a finger from the bone.',
    carving: 'Skin off, bone out; pulled in strands; its juice caught, skimmed and given back.',
  },
  'pork-collar': {
    signs: 'A probe needs hardly any push in the middle; it still holds together.',
    probe: 'From the end along the middle.',
    carving: 'Across the grain in {12 mm} slices.',
  },
  'pork-belly': {
    signs: 'A probe goes through every layer without a catch, in the middle and at both ends.',
    probe: 'From the edge into the middle, between the layers.',
    carving: 'Across the layers in {15 mm} slices, or in {40 mm} cubes.',
  },
  'pork-loin': {
    signs: 'Springy to the finger; the number in the middle decides, after the rest.',
    probe: 'From the end into the middle.',
    carving: 'Across the grain in {8 mm} slices.',
  },
  'lamb-shoulder': {
    signs: 'The blade comes out clean; the meat parts where it lay.',
    probe: 'Into the thickest part, a finger from the bone.',
    carving: 'Bones out, fat out; pulled in pieces; its juice skimmed and given back.',
  },
  'lamb-leg-boneless': {
    signs: 'Springy to the finger; the number in the thickest muscle decides, after the rest.',
    probe: 'Into the middle of the thickest muscle.',
    carving: 'Part the muscles along their seams, each across its grain, {8 mm} slices.',
  },
  'sausage-link': {
    signs: 'Plump, the skin tight; the number in the middle decides.',
    probe: 'From the end, along the middle.',
    carving: 'Whole, or on the slant in three.',
  },
  'chicken-whole': {
    signs: 'The leg moves loosely at the joint. The number decides, in the thigh and in the breast.',
    probe: 'Deep in the thigh beside the body, off the bone; then the breast.',
    carving: 'Legs off at the joint, breasts off the bone, each across.',
  },
  'chicken-half': {
    signs: 'The leg moves loosely at the joint. The number decides, in the thigh and in the breast.',
    probe: 'Deep in the thigh, off the bone; then the breast.',
    carving: 'Leg from breast at the joint.',
  },
  'turkey-whole': {
    signs: 'The leg gives at the joint. The number decides, in the breast and in the thigh.',
    probe: 'The deepest of the breast from the neck end; a second one in the thigh.',
    carving: 'Legs off, breasts off whole; breasts across in {8 mm} slices, thighs pulled off the bone.',
  },
};

const RIBS: CutWords = {
  signs:
    'Held by one end it bends until the surface cracks, and bones show a finger’s width. A probe between two bones needs no push; the thick end decides.',
  probe: 'Between two middle bones, along the rack, off the bone.',
  carving: 'Bone side up, so that the bones are seen; one cut between every two.',
};
const BIRD: CutWords = {
  signs: 'The number decides, in the thickest part.',
  probe: 'From the side into the thickest part, off the bone.',
  carving: 'Across the grain in {8 mm} slices.',
};
const DISH: CutWords = {
  signs: 'It bubbles at the edge and is hot in the middle and in every corner.',
  probe: 'In the middle of the pan, half way down.',
  carving: 'Stirred, and served from the pan.',
};
const TENDER: CutWords = {
  signs: 'A probe needs no push, twice, in two places.',
  probe: 'From the side into the thickest part, clear of seams of fat.',
  carving: 'Across the grain.',
};
const ROAST: CutWords = {
  signs: 'Springy to the finger; the number after resting decides.',
  probe: 'From the end into the middle of the thickest part.',
  carving: 'Across the grain.',
};

export function cutWordsOf(id: string, species: string, tender: boolean): CutWords {
  const own = OWN[id];
  if (own) return own;
  if (id.includes('ribs')) return RIBS;
  if (species === 'chicken' || species === 'turkey') return id === 'chicken-thigh' ? { ...BIRD, carving: 'Whole, skin up.' } : BIRD;
  if (species === 'dish') return DISH;
  return tender ? TENDER : ROAST;
}
