// What is typed into a field stands at once wherever the page shows it: in each element whose data-shows is the field's
// name. Left empty, what the element's data-else says is shown. A picture that is chosen is shown before it is sent.
export function mirror() {
    return {
        show(event) {
            const field = event.target;
            for (const shown of this.$root.querySelectorAll(`[data-shows="${field.name}"]`)) {
                if (field.type === "file") {
                    this.picture(shown, field.files[0]);
                } else {
                    shown.textContent = field.value.trim() || shown.dataset.else || "";
                }
            }
        },
        picture(shown, file) {
            if (!file) return;
            const reader = new FileReader();
            reader.onload = () => {
                shown.src = reader.result;
                shown.hidden = false;
            };
            reader.readAsDataURL(file);
        },
    };
}
