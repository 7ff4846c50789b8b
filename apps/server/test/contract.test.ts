import { routes } from "@zm/protocol";
import { z } from "zod";
import { type TestServer, client, startServer } from "./support/testServer.ts";

/** The parts of an OpenAPI page that are looked at here. */
const openApi = z.object({
  paths: z.record(z.string(), z.record(z.string(), z.object({ requestBody: z.unknown().optional() }))),
  components: z.object({
    schemas: z.record(
      z.string(),
      z.object({ properties: z.record(z.string(), z.unknown()).default({}), required: z.array(z.string()).default([]) }),
    ),
  }),
});
const bodyRef = z.object({ content: z.object({ "application/json": z.object({ schema: z.object({ $ref: z.string() }) }) }) });
const fields = z.object({ properties: z.record(z.string(), z.unknown()).default({}), required: z.array(z.string()).default([]) });

let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(async () => {
  await server.end();
});

test("the OpenAPI page has every route of the contract with exactly the fields that it names", async () => {
  const { paths, components } = openApi.parse((await client(server).get("/api-json").expect(200)).body);
  let compared = 0;
  for (const [name, { method, path, request }] of Object.entries(routes)) {
    const operation = paths[path]?.[method.toLowerCase()];
    expect([name, operation !== undefined]).toEqual([name, true]);
    if (!(request instanceof z.ZodObject) || Object.keys(request.shape).length === 0) continue;
    const { $ref } = bodyRef.parse(operation?.requestBody).content["application/json"].schema;
    const told = components.schemas[$ref.split("/").at(-1) ?? ""];
    const { properties, required } = fields.parse(z.toJSONSchema(request, { unrepresentable: "any" }));
    expect([name, Object.keys(told?.properties ?? {}).sort()]).toEqual([name, Object.keys(properties).sort()]);
    expect([name, [...(told?.required ?? [])].sort()]).toEqual([name, [...required].sort()]);
    compared += 1;
  }
  expect(compared).toBeGreaterThanOrEqual(8);
});

test("what is just beyond a limit of the contract is refused by name, what is at it is not", async () => {
  const http = client(server);
  const limits = z.object({ minimum: z.number(), maximum: z.number(), maxLength: z.number() }).partial();
  let held = 0;
  for (const { method, path, request } of Object.values(routes)) {
    if (!(request instanceof z.ZodObject) || method !== "POST") continue;
    const { properties } = fields.parse(z.toJSONSchema(request, { unrepresentable: "any" }));
    const isTold = async (field: string, value: unknown): Promise<boolean> => {
      const { body, status } = await http.post(path.replace("{id}", "1")).send({ [field]: value });
      // Without what else it needs the request is refused in any case; which fields are told of is what counts.
      return status === 400 && JSON.stringify(body).includes(`${field} `);
    };
    for (const [field, property] of Object.entries(properties)) {
      const { minimum, maximum, maxLength } = limits.parse(property);
      const within = [minimum, maximum, maxLength === undefined ? undefined : "a".repeat(maxLength)].filter((each) => each !== undefined);
      const beyond = [
        minimum === undefined || Number.isSafeInteger(minimum) === false ? undefined : minimum - 1,
        maximum === undefined || maximum === Number.MAX_SAFE_INTEGER ? undefined : maximum + 1,
        maxLength === undefined ? undefined : "a".repeat(maxLength + 1),
      ].filter((each) => each !== undefined);
      for (const value of within) expect([path, field, value, await isTold(field, value)]).toEqual([path, field, value, false]);
      for (const value of beyond) expect([path, field, value, await isTold(field, value)]).toEqual([path, field, value, true]);
      held += beyond.length;
    }
  }
  expect(held).toBeGreaterThanOrEqual(15);
});

test("what the server answers is what the contract says", async () => {
  const http = client(server);
  const at = (path: string): string => path.replace("{id}", "1");
  for (const route of [routes.shows, routes.show, routes.run, routes.hand]) {
    const { body } = await http.get(at(route.path)).expect(200);
    expect(route.reply.safeParse(body)).toMatchObject({ success: true });
  }
  const pressed = await http.post(at(routes.press.path)).send({ press: "go" }).expect(200);
  expect(routes.press.reply.parse(pressed.body)).toEqual(pressed.body);
  const edit = { base: 0, edits: [{ op: "setCue", from: "1", to: "1", label: "Other" }] };
  const edited = await http.post(at(routes.edit.path)).send(edit).expect(200);
  expect(routes.edit.reply.parse(edited.body)).toEqual(edited.body);
  const held = await http
    .post(at(routes.changeHand.path))
    .send({ changes: [{ do: "give", moves: { "1": { intensity: 30 } } }] })
    .expect(200);
  expect(routes.changeHand.reply.parse(held.body)).toEqual(held.body);
  const undone = await http.post(at(routes.undo.path)).send({}).expect(200);
  expect(routes.undo.reply.parse(undone.body)).toEqual(undone.body);
});
