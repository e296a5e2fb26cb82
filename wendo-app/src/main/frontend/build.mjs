// Builds what the browser gets, and copies the data files that packages bring, into the folder named as argument.
import { execFileSync } from "node:child_process";
import { copyFileSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, gzipSync } from "node:zlib";
import { build } from "esbuild";

const quiet = { stdio: "pipe" }; // what it says is shown when it fails
const out = process.argv[2];
const assets = join(out, "static/assets");
const open = join(out, "static/t");
const data = join(out, "data");
[assets, open, data].forEach((folder) => mkdirSync(folder, { recursive: true }));

// The version stands in the fonts' file names: addresses inside compressed style sheets are not rewritten.
const fonts = [
    ["libre-franklin", ["latin", "latin-ext"]],
    ["spline-sans-mono", ["latin", "latin-ext"]],
];
for (const [font, subsets] of fonts) {
    const folder = `node_modules/@fontsource-variable/${font}`;
    const { version } = JSON.parse(readFileSync(`${folder}/package.json`));
    if (version !== "5.3.0") throw new Error(`${font} is ${version}: name its files so in css/fonts.css, and here`);
    for (const subset of subsets) {
        copyFileSync(`${folder}/files/${font}-${subset}-wght-normal.woff2`, join(assets, `${font}-${subset}-5.3.0.woff2`));
    }
}

const icons = [
    "calendar",
    "stamp", "message-square-text", "newspaper", "megaphone", "message-circle-heart", "handshake", "signpost", "shapes",
    "copy", "check", "search", "arrow-right", "triangle-alert", "keyboard", "footprints", "circle-help", "plus", "circle-user",
];
const symbols = icons.map((name) => {
    const svg = readFileSync(`node_modules/lucide-static/icons/${name}.svg`, "utf8");
    const inner = svg.replace(/<!--.*?-->/gs, "").replace(/^[\s\S]*?<svg[^>]*>/, "").replace(/<\/svg>\s*$/, "");
    return `<symbol id="${name}" viewBox="0 0 24 24" fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" stroke-linejoin="round">${inner}</symbol>`;
});
writeFileSync(join(assets, "icons.svg"), `<svg xmlns="http://www.w3.org/2000/svg">${symbols.join("")}</svg>`);
for (const folder of [assets, open]) copyFileSync("css/mark.svg", join(folder, "mark.svg"));

execFileSync("node_modules/.bin/tailwindcss", ["--minify", "-i", "css/app.css", "-o", join(assets, "app.css")], quiet);
execFileSync("node_modules/.bin/tailwindcss", ["--minify", "-i", "css/open.css", "-o", join(open, "open.css")], quiet);
await build({ entryPoints: ["js/app.js"], outfile: join(assets, "app.js"), bundle: true, minify: true, target: "es2020", logLevel: "warning" });
await build({ entryPoints: ["js/chart.js"], outfile: join(assets, "chart.js"), bundle: true, minify: true, format: "iife", target: "es2020", logLevel: "warning" });
await build({ entryPoints: ["tag/wendo.js"], outfile: join(open, "wendo.js"), bundle: true, minify: true, format: "iife", target: "es2017", logLevel: "warning" });
for (const folder of [assets, open]) copyFileSync("node_modules/htmx.org/dist/htmx.min.js", join(folder, "htmx.js"));

for (const name of ["embed", "framed", "disclosure", "tag-frame"]) {
    await build({ entryPoints: [`tag/${name}.js`], outfile: join(open, `${name}.js`), bundle: true, minify: true, format: "iife", target: "es2020", logLevel: "warning" });
}
await build({ entryPoints: ["tag/goes.js"], outfile: join(open, "goes.js"), bundle: true, minify: true, format: "iife", target: "es2020", logLevel: "warning" });

copyFileSync("node_modules/crawler-user-agents/crawler-user-agents.json", join(data, "crawlers.json"));
copyFileSync("node_modules/@ip-location-db/geo-whois-asn-country-mmdb/geo-whois-asn-country.mmdb", join(data, "countries.mmdb"));
for (const weight of ["400Regular", "600SemiBold"]) {
    copyFileSync(`node_modules/@expo-google-fonts/libre-franklin/${weight}/LibreFranklin_${weight}.ttf`, join(data, `print-${weight.slice(0, 3)}.ttf`));
}
// The page between a link with visitor tags and where it leads has all that it needs in it.
copyFileSync("tag/tag-page.html", join(data, "tag-page.html"));
await build({ entryPoints: ["tag/tag-page.css", "tag/tag-page.js"], outdir: data, minify: true, target: "es2020", logLevel: "warning" });
copyFileSync("css/print.css", join(data, "print.css"));
copyFileSync("node_modules/naughty-words/en.json", join(data, "offensive-words.json"));

for (const folder of [assets, open]) {
    for (const name of readdirSync(folder).filter((file) => /\.(css|js|svg)$/.test(file))) {
        const bytes = readFileSync(join(folder, name));
        writeFileSync(join(folder, `${name}.gz`), gzipSync(bytes, { level: 9 }));
        writeFileSync(join(folder, `${name}.br`), brotliCompressSync(bytes));
    }
}
const tagSize = statSync(join(open, "wendo.js.gz")).size;
if (tagSize >= 2048) throw new Error(`The site tag has ${tagSize} bytes gzipped; it has to stay under 2048`);
