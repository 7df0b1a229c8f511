import { type Message, say, type Words } from '../say'
import { BONE_IDS, type BoneId } from './ids'
import { nameOf } from './names'

/** How a breadth or a length is taken. */
export interface BoneLandmark {
  id: BoneId
  name: Words
  /** Between which points. */
  where: Message
  /** Posture, and how hard the jaws press. */
  how: Message
}

const bone = (id: BoneId, where: Message, how: Message): BoneLandmark => ({
  ...{ id, name: nameOf(id), where, how },
})

/** Every breadth and length of international anthropometry that is in use, from memory; on the right side. */
const BONES: readonly BoneLandmark[] = [
  bone('sitting_height', say('anatomy.sittingHeightWhere'), say('anatomy.sittingHeightHow')),
  bone('arm_span', say('anatomy.armSpanWhere'), say('anatomy.armSpanHow')),
  bone('upper_arm_length', say('anatomy.upperArmLengthWhere'), say('anatomy.upperArmLengthHow')),
  bone('forearm_length', say('anatomy.forearmLengthWhere'), say('anatomy.forearmLengthHow')),
  bone('hand_length', say('anatomy.handLengthWhere'), say('anatomy.handLengthHow')),
  bone('hip_point_height', say('anatomy.hipPointHeightWhere'), say('anatomy.hipPointHeightHow')),
  bone(
    'trochanter_height',
    say('anatomy.trochanterHeightWhere'),
    say('anatomy.trochanterHeightHow'),
  ),
  bone('thigh_length', say('anatomy.thighLengthWhere'), say('anatomy.thighLengthHow')),
  bone('knee_height', say('anatomy.kneeHeightWhere'), say('anatomy.kneeHeightHow')),
  bone('tibia_length', say('anatomy.tibiaLengthWhere'), say('anatomy.tibiaLengthHow')),
  bone('foot_length', say('anatomy.footLengthWhere'), say('anatomy.footLengthHow')),
  bone('biacromial', say('anatomy.biacromialWhere'), say('anatomy.biacromialHow')),
  bone('biiliocristal', say('anatomy.biiliocristalWhere'), say('anatomy.biiliocristalHow')),
  bone('chest_breadth', say('anatomy.chestBreadthWhere'), say('anatomy.chestBreadthHow')),
  bone('chest_depth', say('anatomy.chestDepthWhere'), say('anatomy.chestDepthHow')),
  bone('humerus', say('anatomy.humerusWhere'), say('anatomy.humerusHow')),
  bone('wrist_breadth', say('anatomy.wristBreadthWhere'), say('anatomy.wristBreadthHow')),
  bone('femur', say('anatomy.femurWhere'), say('anatomy.femurHow')),
  bone('ankle_breadth', say('anatomy.ankleBreadthWhere'), say('anatomy.ankleBreadthHow')),
]

const byId = new Map(BONES.map((one) => [one.id, one]))

/** How a breadth or a length is taken. */
export const boneLandmark = (id: BoneId): BoneLandmark => byId.get(id)!

/** In the order in which they are taken: lengths, then breadths. */
export const bonesInOrder = (bones: readonly BoneId[]): BoneId[] =>
  BONE_IDS.filter((id) => bones.includes(id))
