import { LINE_HELP } from "@zm/core";

const INTRO = `# The line entry

\`/\` takes you to it from anywhere. What is typed is read back in words with its impact while you type; Enter makes it, Esc drops it. A word that cannot be
read is underlined. Tab takes the word that is offered; with an empty line, the arrow up brings back what was typed before. The same list is in the application,
to be searched: \`?\`.

On the Stage and wherever the edge of the frame says *live*, what is typed of lights goes to the Hand and is seen at once. In the Score it edits the chosen
cues, blind; with \`#\` it edits the cues that are named, from anywhere.
`;

const chapters = LINE_HELP.map(({ about, entries }) => {
  const rows = entries.map(({ typed, does }) => `| ${typed.map((each) => `\`${each}\``).join(" ")} | ${does} |`);
  return `## ${about}\n\n| typed | what it does |\n| --- | --- |\n${rows.join("\n")}\n`;
});
process.stdout.write(`${INTRO}\n${chapters.join("\n")}`);
