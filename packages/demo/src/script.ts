import type { Show } from "@zm/core";

type Line = NonNullable<Show["script"]>["lines"][number];

/** One scene as it is written down: who speaks, a colon, the words; a line that begins with ( is a direction, and ~ before it asks for silence. */
const SCENES: Readonly<Record<string, { page: number; text: string }>> = {
  "I.1": {
    page: 1,
    text: `
(The sea at night. A lighthouse room in section; above it the lamp.)
ADA: Forty-one steps. My father counted them aloud, every night, as if one of them might have left.
~(She climbs with a hand lamp.)
ADA: Nine hundred and something nights alone, and they are still all here. So am I.
(She opens the lantern door and puts a match to the wick.)
ADA: Come on. You have had your sleep.
(The wick catches, flares, steadies.)
ADA: There. Now they can see where not to be.
`,
  },
  "I.2": {
    page: 3,
    text: `
(The keeper's room. A table, a stove, one chair too many.)
ADA: Bread. Salt. Paraffin, one tin, for us both.
(She sets the table as if for two.)
ADA: The boat said a man would come. The boat says many things.
(A kettle begins to sing.)
ADA: You may sing. Nobody else does.
(The wind gets up. A shutter bangs.)
ADA: All right, all right, I heard you the first time.
(She latches it. It is quiet.)
~(A knock. She does not move.)
ADA: The wind does not knock twice.
(A second knock.)
`,
  },
  "I.3": {
    page: 6,
    text: `
(Edwin stands in the door with rain behind him and a crate on his shoulder.)
EDWIN: Is this the light?
ADA: It is a lighthouse. The light is upstairs. You are letting the weather in.
(Lightning.)
EDWIN: I was told somebody would meet the boat.
ADA: Somebody is meeting you now. Put that down before it goes through my floor.
(He comes in and lowers the crate.)
EDWIN: Careful with it, please. It is the first of eleven.
ADA: Eleven what?
EDWIN: Eleven crates. Wire, mostly. A dynamo. The lamp itself, packed in straw like an egg.
ADA: We have a lamp.
EDWIN: You have a flame.
ADA: A flame that has not failed since before you could say the word.
EDWIN: It needs you to climb forty-one steps with a tin in your hand.
ADA: You counted them.
EDWIN: It is in the report.
ADA: Then leave the lamp. Take the report up to it and see which of them burns longer.
~(The lamp above them falters.)
ADA: Quiet. Listen to her.
(She climbs. It burns again.)
EDWIN: How did you know?
ADA: The room changed its mind. You did not see it. You were reading.
EDWIN: I am to have it running by the first of November. With you or without you, the letter says.
ADA: Which letter?
EDWIN: The one you have not opened.
(He turns away.)
EDWIN: I did not ask for this island either.
(He goes up to sleep among his crates. Ada is alone.)
ADA: Nine hundred nights, and the first word anybody says to me is a date.
(Gulls. It is nearly day.)
~(She opens the letter. She reads it twice.)
ADA: With thanks for long service.
(She folds it small.)
ADA: Long. Yes.
`,
  },
  "I.4": {
    page: 13,
    text: `
(Morning, low tide. Crates stand on the step.)
EDWIN: That is the eleventh. She floats on a tide table, your boat.
ADA: She is not my boat. What is in this one?
EDWIN: Open it.
(She does. Coils of wire.)
ADA: It looks like something a spider gave up on.
EDWIN: It goes from here, to there, through the wall, and up all your steps at once.
ADA: At once.
EDWIN: That is the point of it.
(They work. Wire everywhere.)
EDWIN: Stand clear of the door. Now.
(He throws the switch. White light, a bang, darkness.)
ADA: Is that all of it?
EDWIN: That was the fuse.
(Ada laughs. She has not done that for some time.)
EDWIN: It is not so funny.
ADA: It is. It has your hair standing up like a cormorant.
(A hum, low, growing.)
EDWIN: Again. Hand on the rail. Not that rail.
(The second switch. It holds. The old lamp burns beside it, yellow.)
EDWIN: Well.
ADA: It has no smell.
EDWIN: It has no smoke. You will not need to clean a glass again in your life.
ADA: And what will I have in my hands?
~(They watch it burn.)
EDWIN: Nothing. That is the point of it.
ADA: You say that a great deal.
(He goes down. She stays with the old lamp until it is low.)
`,
  },
  "II.1": {
    page: 19,
    text: `
(October. The white lamp is lit; the old one stands cold beside it.)
ADA: Thirty-eight tins full. Thirty-nine.
(She shakes the next one.)
ADA: This one is empty. I would have known that, once, by the weight of the week.
(Edwin comes to the stairs with a paper.)
EDWIN: They want to know how much oil we shall not be using.
ADA: Tell them all of it.
EDWIN: They want it in gallons.
(He comes down to the table.)
EDWIN: Here. The bill for the wire. Sit before you read it.
ADA: They could have had me for two hundred years.
(She laughs at it.)
EDWIN: They do not pay for years. They pay for wire.
(The tide turns. One gull on the rail.)
EDWIN: What did you do, in the evenings? Before me.
ADA: Lit it. Watched it. Put it out.
EDWIN: And between?
ADA: There is no between. That is what watching is.
(He lights his pipe. Evening comes in.)
EDWIN: Watch this, then.
(He throws the switch. The white lamp, at once.)
ADA: It does not even wait for the dark.
`,
  },
  "II.2": {
    page: 24,
    text: `
(Fog. The beam goes round and shows nothing but itself.)
EDWIN: Sixteen miles, in the tables.
ADA: In the tables there is no fog.
~(A horn, far off. They listen.)
ADA: Two short. She does not know where she is.
EDWIN: She will see us.
ADA: She will see white. Everything out there is white. We have given her more of it.
(The horn again, nearer. The dynamo labours.)
EDWIN: It is the damp. It will pick up.
(It picks up. It dies.)
~(Darkness.)
ADA: Edwin.
EDWIN: I am here.
ADA: I know where you are. Where is the light?
(A match. The hand lantern.)
EDWIN: Two minutes. A brush has lifted. Hold that nearer.
ADA: You have said two minutes three times.
(Sparks. Nothing.)
(The horn, here, in the room with them.)
EDWIN: I cannot make it go.
ADA: No.
(She takes the lantern, and the one tin, and the stairs.)
ADA: One. Two. Three. Four.
`,
  },
  "II.3": {
    page: 29,
    text: `
(The lamp room. Wind in the glass.)
ADA: You are cold. I know. I let them do it.
(She trims the wick. It will not take.)
ADA: Please.
(Nor now.)
ADA: I shall not ask three times.
(It takes. Full flame; the gold goes out through the glass.)
~(She puts her shoulder to the lens and turns it by hand.)
ADA: Round. And round.
EDWIN: Ada. The gear is locked.
ADA: Then we are the gear. Put your hand under mine.
EDWIN: Show me.
ADA: Slower. Slower than that. You are not winding a clock. You are telling somebody something.
(Hand over hand.)
EDWIN: What are we telling her?
ADA: Here. Not here. Here.
~(Out at sea a light answers, twice.)
EDWIN: She has seen us.
ADA: She has seen yellow. There is only one yellow on this coast.
(The horn goes by, and away.)
EDWIN: We can stop.
ADA: It is four hours to morning. One does not stop because one has been seen.
(They keep turning.)
`,
  },
  "II.4": {
    page: 34,
    text: `
(A white morning. Edwin is asleep on the crate. Ada has the letter, unfolded.)
ADA: With thanks for long service. I have read it so often that it has begun to mean it.
(He wakes.)
EDWIN: It was one brush. One. I have mended it with a spoon.
ADA: My spoon.
EDWIN: I have to write to them today. What shall I say to them?
ADA: Both.
EDWIN: Both?
ADA: The white one, for the tables. And the yellow one, for when there are no tables. It wants one tin a month and somebody with hands.
EDWIN: They will say it is not the point of it.
ADA: Then they may come and count the steps.
(They put their hands to the switch together. It burns; so does the lamp.)
EDWIN: There is one tin left up there. I looked.
ADA: I know. I had meant it for the last night.
EDWIN: Which night is that?
ADA: I shall tell you when it comes.
~(Evening. She climbs, and puts the flame out with her hand.)
ADA: Salt. Paraffin. Sleep well.
(The other stays.)
`,
  },
};

/** Where each cue is called: its line, counted in its scene, and at which word; or when it happens on stage. */
const CALLS: Readonly<Record<string, readonly [scene: string, line: number, word?: string]>> = {
  "2": ["I.1", 1],
  "3": ["I.1", 2, "Forty-one"],
  "4": ["I.1", 3],
  "5": ["I.1", 7, "catches"],
  "6": ["I.2", 1],
  "7": ["I.2", 3],
  "8": ["I.2", 5],
  "9": ["I.2", 7, "wind"],
  "10": ["I.2", 9, "latches"],
  "11": ["I.2", 10, "knock"],
  "12": ["I.3", 1],
  "13": ["I.3", 7],
  "14": ["I.3", 8, "first"],
  "15": ["I.3", 17, "lamp"],
  "15.5": ["I.3", 18],
  "16": ["I.3", 20],
  "17": ["I.3", 23, "without"],
  "17.5": ["I.3", 26],
  "18": ["I.3", 28],
  "20": ["I.3", 31],
  "20.5": ["I.3", 33],
  "21": ["I.3", 34, "Yes"],
  "22": ["I.4", 1],
  "23": ["I.4", 2, "eleventh"],
  "24": ["I.4", 4],
  "24.2": ["I.4", 5],
  "24.5": ["I.4", 10],
  "25": ["I.4", 12, "switch"],
  "26": ["I.4", 18],
  "27": ["I.4", 20, "switch"],
  "28": ["I.4", 25],
  "29": ["I.4", 28],
  "32": ["II.1", 1],
  "33": ["II.1", 2, "tins"],
  "33.5": ["II.1", 4, "empty"],
  "34": ["II.1", 5],
  "34.5": ["II.1", 9],
  "35": ["II.1", 10, "bill"],
  "36": ["II.1", 12],
  "37": ["II.1", 14],
  "38": ["II.1", 19, "pipe"],
  "39": ["II.1", 19, "Evening"],
  "39.5": ["II.1", 21, "switch"],
  "40": ["II.2", 1],
  "41": ["II.2", 2, "Sixteen"],
  "42": ["II.2", 4, "horn"],
  "42.5": ["II.2", 4, "listen"],
  "43": ["II.2", 8, "nearer"],
  "44": ["II.2", 8, "labours"],
  "46": ["II.2", 15, "match"],
  "47": ["II.2", 16, "brush"],
  "48": ["II.2", 18, "Sparks"],
  "49": ["II.2", 19],
  "50": ["II.2", 22],
  "51": ["II.3", 1],
  "52": ["II.3", 3, "wick"],
  "53": ["II.3", 3, "take"],
  "54": ["II.3", 7, "takes"],
  "55": ["II.3", 8],
  "56": ["II.3", 10, "Ada"],
  "57": ["II.3", 12, "Show"],
  "57.5": ["II.3", 14],
  "58": ["II.3", 17, "light"],
  "59": ["II.3", 18, "seen"],
  "60": ["II.3", 20, "horn"],
  "61": ["II.3", 22, "stop"],
  "62": ["II.3", 23],
  "63": ["II.4", 1],
  "65": ["II.4", 2, "thanks"],
  "66": ["II.4", 3],
  "67": ["II.4", 7, "Both"],
  "68": ["II.4", 12],
  "69": ["II.4", 13, "tin"],
  "70": ["II.4", 17],
  "71": ["II.4", 19],
};

/** A page holds about so many lines. */
const LINES_A_PAGE = 7;

/** The play line by line, at a speaking pace of 140 words a minute. */
export const script: NonNullable<Show["script"]> = {
  pace: 140,
  lines: Object.entries(SCENES).flatMap(([scene, { page, text }]) =>
    text
      .trim()
      .split("\n")
      .map((written, index) => lineOf(`${scene}.${index + 1}`, page + Math.floor(index / LINES_A_PAGE), written)),
  ),
};

function lineOf(id: string, page: number, written: string): Line {
  const quiet = written.startsWith("~");
  const plain = quiet ? written.slice(1) : written;
  const [, who, spoken] = /^([A-Z]+): (.*)$/.exec(plain) ?? [];
  return {
    id,
    page,
    ...(who === undefined ? {} : { who }),
    text: spoken ?? plain,
    // What is done takes longer than it takes to say.
    ...(who === undefined ? { seconds: 6 } : {}),
    ...(quiet ? { quiet } : {}),
  };
}

/** Where a cue is called in the play; undefined for one that follows by itself, or that the house and not the play gives. */
export function callOf(cue: string): { line: string; word?: string; kind: string } | undefined {
  const [scene, line, word] = CALLS[cue] ?? [];
  if (scene === undefined) return undefined;
  return { line: `${scene}.${line}`, ...(word === undefined ? { kind: "visual" } : { word, kind: "on" }) };
}
