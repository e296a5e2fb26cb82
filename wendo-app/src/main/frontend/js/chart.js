// Draws a table that stands on the page: an element with data-chart names it, and the table's own figures, in data-value,
// are what is drawn. Without script, or without figures, the table alone says it.
import { BarChart, LineChart } from "echarts/charts";
import { GridComponent, LegendComponent, TooltipComponent } from "echarts/components";
import * as echarts from "echarts/core";
import { SVGRenderer } from "echarts/renderers";

echarts.use([BarChart, LineChart, GridComponent, LegendComponent, TooltipComponent, SVGRenderer]);

const DECALS = ["none", "rect", "triangle", "diamond", "circle", "pin", "arrow"];
const still = matchMedia("(prefers-reduced-motion: reduce)").matches;

function colours() {
    const style = getComputedStyle(document.documentElement);
    return ["--sea", "--partner", "--print", "--text", "--ad", "--social", "--newsletter"].map((name) => style.getPropertyValue(name).trim());
}

function ink(name) {
    return getComputedStyle(document.documentElement).getPropertyValue(name).trim();
}

// A column with figures is a line of the drawing; of campaigns by month, a row is.
function byColumns(table) {
    const heads = [...table.tHead.rows[0].cells].map((cell) => cell.textContent.trim());
    const rows = [...table.tBodies[0].rows];
    return {
        places: rows.map((row) => row.cells[0].textContent.trim()),
        lines: heads
            .map((name, at) => ({ name, values: rows.map((row) => row.cells[at]?.dataset.value) }))
            .filter((line) => line.values.some((value) => value !== undefined))
            .map((line) => ({ name: line.name, values: line.values.map(Number) })),
    };
}

function byRows(table) {
    const heads = [...table.tHead.rows[0].cells].map((cell) => cell.textContent.trim());
    const at = heads.map((_, i) => i).filter((i) => table.tBodies[0].rows[0]?.cells[i]?.dataset.value !== undefined);
    return {
        places: at.map((i) => heads[i]),
        lines: [...table.tBodies[0].rows].map((row) => ({ name: row.cells[0].textContent.trim(), values: at.map((i) => Number(row.cells[i].dataset.value)) })),
    };
}

function series(kind, lines) {
    return lines.map((line, at) => {
        const isLine = (kind === "spend" || kind === "visits") && at === 0;
        return {
            name: line.name,
            type: isLine ? "line" : "bar",
            data: line.values,
            yAxisIndex: isLine ? 1 : 0,
            stack: isLine || kind === "beside" ? undefined : "all",
            symbol: "rect",
            symbolSize: 5,
            itemStyle: { decal: { symbol: DECALS[at % DECALS.length], symbolSize: 0.5, color: "rgba(255, 255, 255, .35)" } },
        };
    });
}

function draw(place) {
    const table = document.getElementById(place.dataset.chart);
    const kind = place.dataset.chartKind;
    const { places, lines } = kind === "stacked" ? byRows(table) : byColumns(table);
    if (!lines.some((line) => line.values.some((value) => value > 0))) return;
    place.hidden = false;
    const text = { color: ink("--ink-soft"), fontFamily: getComputedStyle(document.body).fontFamily, fontSize: 12 };
    const named = (name, align) => ({ name, nameTextStyle: { ...text, align }, nameGap: 8 });
    const axis = { axisLabel: text, splitLine: { lineStyle: { color: ink("--edge") } }, minInterval: 1 };
    const drawn = series(kind, lines);
    const second = drawn.some((one) => one.yAxisIndex === 1);
    echarts.getInstanceByDom(place)?.dispose();
    const chart = echarts.init(place, null, { renderer: "svg" });
    chart.setOption({
        animation: !still,
        color: colours(),
        grid: { left: 8, right: 8, top: second ? 52 : 34, bottom: 10, containLabel: true },
        legend: { top: 0, left: 0, textStyle: text, itemHeight: 10, type: "plain" },
        tooltip: { trigger: "axis", renderMode: "richText", backgroundColor: ink("--sheet"), borderColor: ink("--edge"), textStyle: { ...text, color: ink("--ink") } },
        xAxis: { type: "category", data: places, axisLabel: { ...text, hideOverlap: true }, axisLine: { lineStyle: { color: ink("--ink-soft") } } },
        yAxis: second
            ? [{ ...axis, ...named(place.dataset.chartLeft || "", "left") }, { ...axis, ...named(lines[0].name, "right"), splitLine: { show: false } }]
            : [axis],
        series: drawn,
    });
    place.setAttribute("role", "img");
    place.setAttribute("aria-label", `${lines.map((line) => line.name).join(", ")}; ${document.body.dataset.tableBelow}`);
    watch(place);
}

const watched = new WeakSet();

function watch(place) {
    if (watched.has(place)) return;
    watched.add(place);
    new ResizeObserver(() => echarts.getInstanceByDom(place)?.resize()).observe(place);
}

// Texts are measured in the page's own type, once it is there.
const drawAll = () => document.querySelectorAll("[data-chart]").forEach(draw);
document.fonts.ready.then(drawAll);
document.addEventListener("htmx:after:swap", drawAll); // what the server wrote anew has no drawing in it
