// The address of a list says what is chosen and nothing else: empty fields are left out, chosen columns stand together.
document.addEventListener("htmx:config:request", ({ target, detail }) => {
    if (!target.matches("form[role=search]")) return;
    const { body } = detail.ctx.request;
    for (const [name, value] of [...body]) {
        if (value === "") body.delete(name);
    }
    const columns = body.getAll("columns");
    if (columns.length > 1) body.set("columns", columns.join("."));
});
