import tailwindcss from "@tailwindcss/vite";
import react from "@vitejs/plugin-react";
import { defaultClientConditions, defineConfig } from "vite";

const server = `http://127.0.0.1:${process.env["ZM_PORT"] ?? "4600"}`;

export default defineConfig({
  plugins: [react(), tailwindcss()],
  resolve: { conditions: ["@zm/source", ...defaultClientConditions] },
  build: { target: "es2023", chunkSizeWarningLimit: 1200 },
  worker: { format: "es" },
  // The server answers its own pages alone, so what the development page asks is passed on as if it came from one.
  server: {
    host: "127.0.0.1",
    proxy: {
      "/api": { target: server, changeOrigin: true, headers: { origin: server } },
      "/socket.io": { target: server, ws: true, changeOrigin: true, headers: { origin: server } },
    },
  },
});
