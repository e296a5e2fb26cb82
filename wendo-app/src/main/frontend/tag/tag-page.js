(() => {
  const main = document.querySelector("main");
  const plan = JSON.parse(main.dataset.plan);
  const form = document.querySelector("form");
  const after = (millis) => new Promise((done) => setTimeout(done, millis));
  let isGone = false;
  const go = () => {
    if (!isGone) {
      isGone = true;
      location.replace(plan.to);
    }
  };
  const tell = (path, fields) =>
    fetch(path, { method: "POST", body: new URLSearchParams(fields), keepalive: true, headers: { "X-Wendo": "1" } });
  const picture = (tag) => {
    const image = document.querySelector(`img[data-tag="${tag.id}"]`) || new Image();
    if (!image.src) image.src = tag.src;
    return image;
  };
  const frame = (tag) => {
    const element = document.createElement("iframe");
    element.sandbox = "allow-scripts";
    element.hidden = true;
    element.src = tag.src;
    document.body.append(element);
    return element;
  };
  const use = (tag) =>
    new Promise((done, fail) => {
      const element = tag.frame ? frame(tag) : picture(tag);
      // A shut-up page can only call out to this one.
      if (tag.frame) addEventListener("message", (event) => event.source === element.contentWindow && fail());
      else if (element.complete) return element.naturalWidth ? done() : fail();
      element.addEventListener("load", done);
      element.addEventListener("error", fail);
    });
  const useAll = (tags) => {
    const failed = [];
    const all = tags.map((tag) => use(tag).catch(() => failed.push(tag.id)));
    return Promise.race([Promise.all(all), after(plan.most)]).then(() => {
      if (failed.length) tell("/t/tag-failures", { t: plan.token, tags: failed }).catch(() => {});
    });
  };
  const fired = useAll(plan.fires);
  if (!form) {
    fired.then(go);
    return;
  }
  let isAnswered = false;
  const answer = async (said) => {
    if (isAnswered) return;
    isAnswered = true;
    main.inert = true;
    const told = tell("/t/consent", { t: plan.token, a: said }).then((response) => response.ok, () => false);
    const isTaken = await Promise.race([told, after(said === "yes" ? plan.most : plan.least).then(() => false)]);
    if (said === "yes" && isTaken) await useAll(plan.asks);
    await fired;
    go();
  };
  form.addEventListener("submit", (event) => {
    event.preventDefault();
    answer(event.submitter.value);
  });
  const timer = setTimeout(() => answer("none"), plan.waits);
  // Who reads what is passed on, or moves with the keyboard, is at it: the page waits for them.
  for (const begun of ["keydown", "toggle"]) document.addEventListener(begun, () => clearTimeout(timer), true);
})();
