/** The second act of the play by scenes, written as the first. */
export const ACT_TWO: Readonly<Record<string, string>> = {
  "II.1": `
([31]The house lights sink again.){14}
([32]October. The white lamp is lit; the old one stands cold beside it.){13}
ADA: Thirty-eight [33]tins full. Thirty-nine.
(She shakes the next one.)
ADA: This one is [33.5]empty. I would have known that, once, by the weight of the week.
([34]Edwin comes to the stairs with a paper.)
EDWIN: They want to know how much oil we shall not be using.
ADA: Tell them all of it.
EDWIN: They want it in gallons.
([34.5]He comes down to the table.)
EDWIN: Here. The [35]bill for the wire. Sit before you read it.
ADA: They could have had me for two hundred years.
([36]She laughs at it.)
EDWIN: They do not pay for years. They pay for wire.
ADA: You were to be gone by now. The letter said the first of the month, and then a boat.
EDWIN: The boat said weather.
ADA: There has been no weather. I have been looking at it.
EDWIN: There are adjustments.
ADA: You have oiled that thing every day for a week. It shines like a priest.
EDWIN: I like to see it through the first gale. One gets letters, otherwise.
(She pushes his cup towards him. It stands on the other side now, by the other chair.)
EDWIN: That is his.
ADA: He is not using it.
(He sits in it, with care.)
EDWIN: What will you do? They will give you a room, on the mainland. It is in the second paragraph.
ADA: I read the second paragraph. It has a view.
EDWIN: Of what?
ADA: It does not say.
([37]The tide turns. One gull comes down on the rail.)
EDWIN: What did you do, in the evenings? Before me.
ADA: Lit it. Watched it. Put it out.
EDWIN: And between?
ADA: There is no between. That is what watching is.
EDWIN: I could not do that. I should have to take something apart.
ADA: I know. I have seen my clock.
EDWIN: It was losing four minutes.
ADA: It was losing them for thirty years. I had got used to having them.
EDWIN: I could put them back.
ADA: You could not. But it was good of you to look.
(He lights his [38]pipe. She opens the shutter for the smoke. [39]Evening comes in.)
ADA: About this time I would be going up. One feels it in the knees. They ask, is it not time? And I tell them, sit down, there is a man for that.
EDWIN: Come up anyway. I should like you to do it.
ADA: Do what?
EDWIN: Watch this, then.
(He throws the [39.5]switch. The white lamp, at once.)
ADA: It does not even wait for the dark.
EDWIN: No. It has no need to.
ADA: I did not say that it had need. I said that it does not wait.
`,
  "II.2": `
([40]Fog. The beam goes round and shows nothing but itself.){28}
EDWIN: [41]Sixteen miles, in the tables.
ADA: In the tables there is no fog.
EDWIN: It is all up there, every candle of it. It is just not going anywhere.
ADA: I had an uncle like that.
(They have coats on, indoors. The glass runs.)
EDWIN: What did you do, in fog? With the other one.
ADA: Turned it down.
EDWIN: Down?
ADA: A little light goes further in fog than a great one. You do not shout at a person in bed with a fever.
EDWIN: That cannot be right. There is a formula.
ADA: Then we shall see which of them the ships have read.
~(A [42]horn, far off. They [42.5]listen.){14}
ADA: Two short. She does not know where she is.
EDWIN: She will see us.
ADA: She will see white. Everything out there is white. We have given her more of it.
EDWIN: Who is she?
ADA: By the cough, the coal boat. He has a wife on the point, and he cuts the corner to see her window.
EDWIN: You know that from the horn?
ADA: I know it from his wife.
(The horn again, [43]nearer. The dynamo [44]labours.){14}
EDWIN: It is the damp. It will pick up.
(It picks up. It dies.)
~(Darkness.)
ADA: Edwin.
EDWIN: I am here.
ADA: I know where you are. Where is the light?
(A [46]match. The hand lantern.)
EDWIN: Two minutes. A [47]brush has lifted. Hold that nearer.
ADA: How near?
EDWIN: I can smell my eyebrows. That will do.
ADA: You have said two minutes three times.
EDWIN: Did I? I thought that I had only thought it.
ADA: He is on the corner now. He will be looking for her window, and he will think that he has passed us.
EDWIN: It only wants to be clean. If I had a bit of silver, a bit of anything. Talk to me. I am quicker when somebody talks.
ADA: My father went out in a fog like this. To look, he said. Only to look.
EDWIN: Not that. Talk about something else.
ADA: There is nothing else.
([48]Sparks. Nothing.)
([49]The horn, here, in the room with them.)
EDWIN: I cannot make it go.
ADA: No.
EDWIN: Ada, I cannot make it go.
ADA: I heard you. Get up off your knees, it does not understand them.
([50]She takes the lantern, and the one tin, and the stairs.){16}
ADA: One. Two. Three. Four.
`,
  "II.3": `
([51]The lamp room. Wind in the glass.)
ADA: You are cold. I know. I let them do it. I stood there and I held the end of the wire.
(She trims the [52]wick. It will not [53]take.){16}
ADA: Please.
(Nor now.)
ADA: I shall not ask three times.
(It [54]takes. Full flame; the gold goes out through the glass.){20}
~([55]She puts her shoulder to the lens and turns it by hand.){26}
ADA: Round. And round.
([56]Edwin, out of breath, in the door.)
EDWIN: Forty-one.
ADA: Did you step on the seventh?
EDWIN: Twice. Ada, the gear is locked. It is geared to mine. It was never meant to turn without it.
ADA: Then we are the gear. Put your hand under mine.
EDWIN: [57]Show me.
ADA: Slower. Slower than that. You are not winding a clock. You are telling somebody something.
([57.5]Hand over hand.)
EDWIN: What are we telling her?
ADA: Here. Not here. Here.
EDWIN: Is that all?
ADA: It is all that anybody wants to know.
EDWIN: How long is it between? There must be a figure.
ADA: Say a name. Say it as if the person were asleep in the next room, and you would rather not wake them. That is how long.
EDWIN: Whose name?
ADA: That is not for the report.
(They turn. One can see him saying it.)
~(Out at sea a [58]light answers, twice.){12}
EDWIN: She has [59]seen us.
ADA: She has noticed yellow. There is only one yellow on this coast.
(The [60]horn goes by, and away.)
EDWIN: He is going wide. He is going round us. Look at him go.
ADA: He will be late, and she will be cross, and neither of them will ever know why they have a winter.
EDWIN: We can [61]stop.
ADA: It is four hours to morning. One does not leave off because one has been noticed.
EDWIN: My arms are gone.
ADA: They come back. About three they come back, and after that one could go on for ever. It is the best part. I have never told anybody.
EDWIN: What is?
ADA: From three. When it is nobody's turn but yours.
([62]They keep turning.)
`,
  "II.4": `
([63]A white morning.){16}
([64]Edwin is asleep on the crate. Ada has the letter, unfolded.){8}
ADA: With [65]thanks for long service. I have read it so often that it has begun to mean it.
([66]He wakes.)
EDWIN: Is it out?
ADA: It is day. I put it out. You turned until six, and then you turned the air.
EDWIN: It was one brush. One. I have mended it with a spoon.
ADA: My spoon.
EDWIN: I will send you another.
ADA: Leave it where it is. I like to think that there is something of mine in there.
(He gets up as one does who has turned a lens all night. She watches him find the chair.)
EDWIN: The coal boat put in at the step. There is a sack. He did not say what it was for.
ADA: He never says. His wife will say.
EDWIN: I have to write to them today. What shall I say to them?
ADA: [67]Both.
EDWIN: Both?
ADA: The white one, for the tables. And the yellow one, for when there are no tables. It wants one tin a month and somebody with hands.
EDWIN: They will say it is not the point of it.
ADA: Then they may come and count the steps.
EDWIN: Forty-one.
ADA: You will put that in?
EDWIN: It is the first line. I have crossed out the other.
(He reads from his paper.)
EDWIN: Sirs. There are forty-one. The seventh is two. I have the honour to report that the new light is all that was promised, and that I recommend the keeping of the old one, and of the keeper.
ADA: And of the keeper.
EDWIN: It needs to be said in the same breath or they will only read the half of it.
ADA: They will send somebody.
EDWIN: Let them. I know a shelf.
([68]They put their hands to the switch together. It burns; so does the lamp.)
EDWIN: There is one [69]tin left up there. I looked.
ADA: I know. I had meant it for the last night.
EDWIN: Which night is that?
ADA: I shall tell you when it comes.
(He takes up his bag. He puts it down again, on the other side of the door, where it is in nobody's way.)
EDWIN: The boat says Thursday.
ADA: The boat says many things.
(He goes down to the step, to look at the weather. She can hear him count.)
~([70]Evening. She climbs, and puts the flame out with her hand.){18}
ADA: Wind gone round. Glass rising. Two lit. Keepers well.
ADA: Salt. Paraffin. Sleep well.
([71]The other stays.){12}
([72]They bow.){14}
([73]The house.){10}
`,
};
