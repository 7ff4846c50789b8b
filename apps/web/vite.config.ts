import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defaultClientConditions, defineConfig } from "vite";

const server = `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}`;

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { conditions: ["@zm/source", ...defaultClientConditions] },
  build: { target: "es2023", chunkSizeWarningLimit: 1200 },
  worker: { format: "es" },
  server: { host: "127.0.0.1", proxy: { "/api": server, "/socket.io": { target: server, ws: true } } },
});
