// Fields of the way of payment that is chosen; without script all of them are there.
export function pays() {
    return {
        way: "",
        byIban: true,
        byOther: true,
        init() {
            this.show(this.$root.dataset.way);
        },
        choose(event) {
            this.show(event.target.value);
        },
        show(way) {
            this.way = way;
            this.byIban = way === "iban";
            this.byOther = way === "other";
        },
    };
}
