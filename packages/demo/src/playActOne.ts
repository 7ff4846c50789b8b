/** The first act of the play by scenes, as `script.ts` reads it: who speaks, a colon, the words; directions in brackets. */
export const ACT_ONE: Readonly<Record<string, string>> = {
  "I.1": `
([0.5]The house is open. The sea is heard behind the curtain.){20}
([1]The house lights sink. Somewhere a bell buoy.){16}
([2]The sea at night. A lighthouse room in section; above it the lamp, dark. The foot of a stair.){12}
ADA: [3]Forty-one steps. My father counted them aloud, every night, as if one of them might have left.
~([4]She climbs with a hand lamp.)
ADA: One. Two. Three. He never said why. I thought it was to keep the sea from hearing that he was tired.
ADA: Eleven. Twelve. When he was ill I counted for him, from the bottom, so that he could hear how far I had got. He would knock on the bedframe when I missed one.
ADA: I missed one once. I have not missed one since.
(She stops halfway, to breathe. The sea goes on.)
ADA: You may wait. You have waited for better women.
(She climbs on.)
ADA: Nine hundred and something nights alone, and they are still all here. Thirty-nine. Forty. So am I.
(She opens the lantern door and puts a match to the wick.)
ADA: Come on. You have had your sleep.
(The wick [5]catches, flares, steadies.)
ADA: There. Now they can see where not to be.
(She wipes the glass with her sleeve, looks out, and writes in a book that hangs from a string.)
ADA: Wind south-west. Glass falling. Lit at eleven minutes past four. Keeper well.
ADA: Keeper well. I write it every night and nobody has ever asked.
`,
  "I.2": `
([6]The keeper's room. A table, a stove, one chair too many.){14}
ADA: Bread. Salt. Paraffin, one tin, for us both.
([7]She sets the table as if for two.)
ADA: It is not for you, so you need not look at me like that.
(She says this to the second chair.)
ADA: The boat said a man would come. The boat says many things. The boat said there would be oranges.
([8]A kettle begins to sing.)
ADA: You may sing. Nobody else does.
(She pours. She holds the cup and does not drink.)
ADA: A man to see to the light. I said, the light is seen to. A man to see to the light, miss, he said, as if I were a step that he had to get over.
ADA: There is one bed. He may have the oil store. It is dry, and it does him no harm to sleep beside what he burns.
(The [9]wind gets up. A shutter bangs.)
ADA: All right, all right, I heard you the first time.
(She [10]latches it. It is quiet.)
ADA: Thank you.
(She sits down to eat. She has forgotten the salt, gets up for it, and stands there with it in her hand.)
ADA: My mother said, never lend salt to a stranger. My father said, who else would need it?
~(A [11]knock. She does not move.)
ADA: The wind does not knock twice.
(A second knock.)
ADA: Well. It is not the wind, then.
`,
  "I.3": `
([12]Edwin stands in the door with rain behind him and a crate on his shoulder.)
EDWIN: Is this the light?
ADA: It is a lighthouse. The light is upstairs. You are letting the weather in.
(Lightning.)
EDWIN: I was told somebody would meet the boat.
ADA: Somebody is meeting you now. Put that down before it goes through my floor.
(He comes in and lowers the crate.)
EDWIN: Careful with it, please. It is the [14]first of eleven.
ADA: Eleven what?
EDWIN: Eleven crates. Wire, mostly. A dynamo. The lamp itself, packed in straw like an egg.
ADA: We have a lamp.
EDWIN: You have a flame.
ADA: A flame that has not failed since before you could say the word.
EDWIN: Edwin Tarrow. I should have said that first. I had it ready, on the boat, and then I was ill on it.
ADA: Ada. There is no other name here to mistake it for.
EDWIN: They have you in the papers as the late keeper's daughter.
ADA: I was. He was late eleven years ago. Since then I have been the keeper, and nobody has sent for the papers.
(She gives him a towel. He dries the crate with it, and then his hair.)
ADA: Sit. No, the other one. That one is his.
EDWIN: I thought you were alone here.
ADA: I am. It is still his.
(He sits. She cuts bread. He looks at the ceiling, and counts something on his fingers.)
EDWIN: May I ask what it burns in a night?
ADA: You may eat first.
EDWIN: It is only for the report.
ADA: A pint and a half in summer. Three in December. More when there is somebody out there I know.
EDWIN: You turn it up for people you know?
ADA: Would you not?
EDWIN: It would not be in the tables.
(Thunder, a good way off now.)
EDWIN: They are very pleased with it on the mainland. The new one. You can read by it at four miles.
ADA: And do they? Do they row out to four miles, and read?
EDWIN: It was a way of saying it.
ADA: I only ask. We get so little to read here.
(He laughs, and is surprised at it.)
EDWIN: I have no quarrel with your lamp. I want you to know that. It is a beautiful thing. My grandmother had one like it, for the cows.
ADA: For the cows.
EDWIN: That came out badly.
ADA: No. It came out quite whole.
(A silence. She puts the salt before him.)
EDWIN: It needs you to climb forty-one steps with a tin in your hand.
ADA: You counted them.
EDWIN: It is in the report.
ADA: Then leave the [15]lamp. Take the report up to it and see which of them burns longer.
(He looks up.){4}
~([15.5]The lamp above them falters.){11}
ADA: Quiet. Listen to her.
([16]She climbs. It burns again.)
EDWIN: How did you know?
ADA: The room changed its mind. You did not see it. You were reading.
EDWIN: I am to have it running by the first of November. With you or [17]without you, the letter says.
ADA: Which letter?
EDWIN: The one you have not opened.
(It lies on the shelf, behind the tea. They both look at it.)
ADA: I thought it was a bill.
EDWIN: No. It is not a bill.
ADA: I had hoped that it was a bill. One knows what to do with a bill.
([17.5]He turns away.)
EDWIN: I did not ask for this island either. I want you to know that too. I asked for a harbour with a theatre in it.
ADA: What did you want with a theatre?
EDWIN: They are having it wired. All of it. Four hundred lamps and one man with his hand on a handle. He can make it evening. He can make it stop.
ADA: And for that they need a handle.
EDWIN: Good night, Miss Ada.
ADA: The store is dry. Mind the third shelf, it bites.
([18]He goes down to sleep among his crates. Ada is alone.)
ADA: Nine hundred nights, and the first word anybody says to me is a date.
(She takes the letter down. She puts it on the table, on his side, against the salt.)
ADA: He can make it stop.
([20]Gulls. It is nearly day.)
~(She opens the letter. She reads it twice.)
ADA: With thanks for long service.
([20.5]She folds it small.)
ADA: Long. [21]Yes.
(Dark. The tide is heard going out.){8}
`,
  "I.4": `
([22]Morning, low tide. Crates stand on the step.){24}
EDWIN: That is the [23]eleventh. She floats on a tide table, your boat.
ADA: She is not my boat. What is in this one?
([24]He hands her the bar. She does not take it.){9}
([24.2]He opens it himself. Coils of wire.)
ADA: It looks like something a spider gave up on.
EDWIN: It goes from here, to there, through the wall, and up all your steps at once.
ADA: At once.
EDWIN: That is the point of it.
ADA: My father would have liked you. He liked anything that he could be rude to for a whole winter.
EDWIN: Would you hold the end of this? Only hold it. It is not connected to anything.
ADA: That is what I thought about the boat.
(She holds it. He walks backwards up the stairs, paying out wire, and counts under his breath.)
EDWIN: Thirty-eight. Thirty-nine. Forty. There are forty.
ADA: You have left one out. The seventh is two. It looks like one because it has been stepped on more.
EDWIN: Forty in the report, then, and a note.
ADA: Forty-one. Nobody reads the notes.
([24.5]They work. Wire everywhere.)
EDWIN: Do you never leave it? The island?
ADA: I went to the mainland for a tooth. There was a street with lamps in it, lit, all along, and nobody under them. I thought, who are they for?
EDWIN: For whoever comes.
ADA: That is what I tell the sea.
EDWIN: Then we are in the same trade.
ADA: You are a kind man, Edwin Tarrow. It will not help you with the third shelf.
(He has a plaster on his forehead. He touches it.)
EDWIN: It bites.
ADA: I did say.
(The dynamo stands in the middle of her floor. He is very proud of it.)
EDWIN: She weighs as much as two men, and she wants nothing but a belt, a drop of oil and to be left alone.
ADA: Then she will do well here.
EDWIN: Stand clear of the door. Now.
(He throws the [25]switch. White light, a bang, darkness.)
ADA: Is that all of it?
EDWIN: That was the fuse.
(Ada laughs. She has not done that for some time.)
EDWIN: It is not so funny.
ADA: It is. It has your hair standing up like a cormorant.
EDWIN: I have nine more fuses.
ADA: Then we have a winter.
([26]A hum, low, growing.)
EDWIN: Again. Hand on the rail. Not that rail.
(The second [27]switch. It holds. The old lamp burns beside it, yellow.)
EDWIN: Well.
ADA: It has no smell.
EDWIN: It has no smoke. You will not need to clean a glass again in your life.
ADA: And what will I have in my hands?
~([28]They watch it burn.)
EDWIN: Nothing. That is the point of it.
ADA: You say that a great deal.
EDWIN: I have had to. There have been eleven islands.
ADA: And eleven keepers.
EDWIN: Nine. Two had gone before I came. One had left the kettle on.
ADA: What did they say to you, the nine?
EDWIN: One gave me a cat. One would not come down. Most of them said what you said.
ADA: What did I say?
EDWIN: About your hands.
([29]He goes down. She stays with the old lamp until it is low.){23}
ADA: Forty-one. He can write what he likes.
([30]It is out. The dark, and the sea.){16}
`,
};
