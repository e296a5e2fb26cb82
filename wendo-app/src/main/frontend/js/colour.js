// The colour of public pages, while it is chosen: the field, the picker and the preview say the same.
const WRITTEN = /^#?([0-9a-f]{6}|[0-9a-f]{3})$/i;

/** WCAG 2.2, "relative luminance". */
function luminance(six) {
    const [red, green, blue] = [0, 2, 4].map((at) => {
        const share = parseInt(six.slice(at, at + 2), 16) / 255;
        return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

const LIGHT = luminance("ffffff");

export const colour = () => ({
    band: {},

    pick() {
        this.$refs.typed.value = this.$refs.picked.value;
        this.type();
    },

    type() {
        const found = WRITTEN.exec(this.$refs.typed.value.trim());
        if (!found) {
            return;
        }
        const six = found[1].length === 3 ? found[1].replace(/./g, "$&$&") : found[1];
        this.$refs.picked.value = `#${six}`;
        const isReadLight = (LIGHT + 0.05) / (luminance(six) + 0.05) >= 4.5;
        this.band = { "--band": `#${six}`, "--on-band": isReadLight ? "#ffffff" : "#000000" };
    },
});
