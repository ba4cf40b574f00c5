// SPDX-License-Identifier: GPL-3.0-or-later
// The practice page: lists today's exercises, counts them, keeps what was done, and writes the note for the coach.
// Everything that can change lies in `state`, which is kept at every change; everything on screen is made from it.
"use strict";
(() => {
  const D = JSON.parse(document.getElementById("programme").textContent);
  const W = D.words;
  const KEY = "practice-" + D.id;
  const main = document.getElementById("main"), said = document.getElementById("said");
  const plural = new Intl.PluralRules(W.locale);
  const coach = D.coach || W.yourCoach;

  /** Words with their places filled; where there are forms for numbers, `n` chooses. */
  function words(key, values = {}) {
    const found = W[key];
    const text = typeof found === "string" ? found : found[plural.select(values.n)] || found.other;
    return text.replace(/\{(\w+)\}/g, (_, name) => (name in values ? values[name] : name === "coach" ? coach : ""));
  }
  function el(tag, props, ...inside) {
    const e = document.createElement(tag);
    for (const [key, value] of Object.entries(props || {}))
      key === "onclick" ? e.addEventListener("click", value)
        : value === true ? e.setAttribute(key, "") : value !== false && value != null && e.setAttribute(key, value);
    e.append(...inside.filter((part) => part != null && part !== ""));
    return e;
  }
  const big = (text, onclick, act) => el("button", { class: "big" + (act ? " act" : ""), type: "button", onclick }, text);
  const link = (text, onclick) => el("button", { class: "link", type: "button", onclick }, text);
  function show(title, ...parts) {
    main.replaceChildren(...parts.filter((part) => part != null));
    document.title = title;
    main.focus({ preventScroll: true });
    window.scrollTo(0, 0);
  }

  // ---- what is kept -------------------------------------------------------------------------------------------------
  let kept = true;
  function load() {
    try {
      const found = JSON.parse(localStorage.getItem(KEY));
      if (found && found.version === 1) return found;
    } catch { kept = false; }
    return { version: 1, days: {}, run: null, stopped: null, sound: true };
  }
  const state = load();
  function keep() {
    try { localStorage.setItem(KEY, JSON.stringify(state)); } catch { kept = false; }
  }
  keep();
  function today() {
    const d = new Date();
    return [d.getFullYear(), d.getMonth() + 1, d.getDate()].map((n) => String(n).padStart(2, "0")).join("-");
  }
  const dayWords = (iso) => new Intl.DateTimeFormat(W.locale, { weekday: "long", day: "numeric", month: "long" })
    .format(new Date(iso + "T12:00:00"));
  const dayOf = (iso) => state.days[iso] || (state.days[iso] = { items: {}, pain: false, where: "", redFlags: [], words: "" });
  const recordOf = (iso, i) => dayOf(iso).items[i] || (dayOf(iso).items[i] = { sets: 0, effort: "", felt: [] });
  const isDone = (iso) => !!state.days[iso] && Object.values(state.days[iso].items).some((r) => r.sets > 0);
  const planOf = (iso) => D.plan.find((p) => p.day === iso);
  const isOut = (i) => state.stopped && (state.stopped.item == null || state.stopped.item === i);

  // ---- today --------------------------------------------------------------------------------------------------------
  function showToday() {
    stopClock();
    const iso = today(), plan = planOf(iso);
    if (state.stopped && state.stopped.item == null) return showStopped();
    const extra = state.extra === iso;
    if (!plan && !extra) return showRestDay(iso);
    const items = (plan || D.plan[0]).items;
    const left = items.filter((i) => !isOut(i) && !(recordOf(iso, i).sets > 0));
    const seconds = items.filter((i) => !isOut(i)).reduce((sum, i) => sum + lengthOf(i), 0);
    const rows = items.map((i, n) => {
      const record = recordOf(iso, i), item = D.items[i];
      const whole = record.sets >= item.sets;
      const mark = isOut(i) ? words("left") : record.sets > 0 ? (whole ? words("done") : words("partly", { n: record.sets }))
        : i === left[0] ? words("now") : "";
      return el("li", { class: i === left[0] ? "now" : "" }, el("span", { class: "n" }, String(n + 1)),
        el("span", { class: "what" }, el("b", {}, item.name), item.dose), el("span", { class: "state" }, mark));
    });
    const some = items.some((i) => recordOf(iso, i).sets > 0);
    show(words(D.coach ? "title" : "titleAlone"),
      el("p", { class: "above" }, plan ? words("week", { day: dayWords(iso), week: plan.week }) : dayWords(iso)),
      el("h1", {}, words("today", { n: Math.ceil(seconds / 60) })),
      el("ol", { class: "list" }, ...rows),
      again(iso),
      left.length ? big(words(some ? "goOn" : "begin"), () => showItem(left[0]), true)
        : big(words("howWas"), showDay, true),
      left.length && some ? big(words("howWas"), showDay) : null,
      big(words("hurts"), () => showHurt(null)),
      el("p", { class: "quiet" }, words("stopRule")),
      ...D.cautions.map((c) => el("p", { class: "quiet" }, c)),
      kept ? null : el("p", { class: "stop" }, words("notSaved")));
  }
  /** What is to be filmed again, from two days before on. */
  function again(iso) {
    if (!D.again || Date.parse(D.again.on) - Date.parse(iso) > 2 * 86400000) return null;
    return el("p", { class: "stop" }, words("again", { day: dayWords(D.again.on), names: D.again.names }));
  }
  function showRestDay(iso) {
    const next = D.plan.find((p) => p.day > iso), begun = D.plan.some((p) => p.day < iso);
    show(words(D.coach ? "title" : "titleAlone"),
      el("p", { class: "above" }, dayWords(iso)),
      el("h1", {}, next && begun ? words("restDay") : next ? words("notBegun", { day: dayWords(next.day) }) : words("over")),
      next && begun ? el("p", {}, words("nextDay", { day: dayWords(next.day) })) : null,
      again(iso),
      begun ? big(words("howWas"), showDay, true) : null,
      next && begun ? el("p", { class: "quiet" }, words("anywayWhy")) : null,
      next && begun ? link(words("anyway"), () => { state.extra = iso; keep(); showToday(); }) : null,
      big(words("hurts"), () => showHurt(null)));
  }

  // ---- one exercise -------------------------------------------------------------------------------------------------
  const lengthOf = (i) => D.items[i].phases.reduce((sum, p) => sum + p.s, 0);
  function showItem(i) {
    const item = D.items[i];
    show(item.name,
      el("p", { class: "above" }, item.version),
      el("h1", {}, item.name),
      drawing(item, 0).box,
      el("p", { style: "margin-top:12px" }, el("b", {}, item.dose)),
      item.watch ? el("p", { class: "stop" }, item.watch) : null,
      el("details", {}, el("summary", {}, words("setUp")), ...item.setUp.map((line) => el("p", {}, line)),
        el("p", { class: "quiet" }, words("forWhat", { purpose: item.purpose }))),
      item.picture ? el("figure", {}, el("img", { src: item.picture, alt: words("yours") }), el("figcaption", {}, words("yours"))) : null,
      big(words("start"), () => start(i), true),
      big(words("another"), showToday),
      el("p", { class: "quiet" }, item.stopRule));
  }

  /** The drawing at a share of its way: limbs between the points of start and end. */
  function drawing(item, share) {
    const svg = (tag, props) => {
      const e = document.createElementNS("http://www.w3.org/2000/svg", tag);
      for (const [key, value] of Object.entries(props)) e.setAttribute(key, value);
      return e;
    };
    const { start, end } = item.drawn, names = Object.keys(start);
    const box = el("div", { class: "drawing", role: "img", "aria-label": item.name });
    if (!names.length) return { box, move() {} };
    const all = names.flatMap((n) => [start[n], end[n] || start[n]]);
    const pad = 10, xs = all.map((p) => p[0]), ys = all.map((p) => p[1]);
    const x0 = Math.min(...xs) - pad, x1 = Math.max(...xs) + pad, y0 = Math.min(0, ...ys) - 4, y1 = Math.max(...ys) + pad;
    const picture = svg("svg", { viewBox: `${x0} ${-y1} ${x1 - x0} ${y1 - y0}`, "aria-hidden": "true" });
    const lines = [];
    picture.append(svg("path", { class: "floor", d: `M${x0} 0H${x1}` }));
    const limb = (joints, width, far) => {
      if (joints.filter((j) => start[j]).length < 2) return;
      const path = svg("path", { class: "limb" + (far ? " far" : ""), "stroke-width": width });
      picture.append(path);
      lines.push((at) => path.setAttribute("d", "M" + joints.filter((j) => start[j]).map((j) => at(j).join(" ")).join("L")));
    };
    const paired = start.hip_l || start.asis_l;
    if (!paired) {
      limb(["hip", "far_knee", "far_ankle"], 6, true);
      limb(["shoulder", "far_elbow", "far_wrist"], 4.5, true);
    }
    for (const side of paired ? ["_l", "_r"] : [""]) {
      limb(["hip", "knee", "ankle"].map((j) => j + side), 7);
      limb(["heel", "toe"].map((j) => j + side), 4);
      if (!paired) limb(["shoulder", "hip"], 12);
      limb(["shoulder", "elbow", "wrist"].map((j) => j + side), 5);
    }
    if (paired && start.shoulder_l && start.hip_l) {
      const trunk = svg("path", { class: "body", "stroke-width": 6 });
      picture.append(trunk);
      lines.push((at) => trunk.setAttribute("d", "M" + ["shoulder_l", "shoulder_r", "hip_r", "hip_l"].filter((j) => start[j])
        .map((j) => at(j).join(" ")).join("L") + "Z"));
    }
    const ears = ["ear", "ear_l", "ear_r"].filter((j) => start[j]);
    if (ears.length) {
      const head = svg("circle", { class: "body", r: 8 });
      picture.append(head);
      lines.push((at) => {
        const points = ears.map(at);
        head.setAttribute("cx", points.reduce((s, p) => s + p[0], 0) / points.length);
        head.setAttribute("cy", points.reduce((s, p) => s + p[1], 0) / points.length);
      });
    }
    const move = (f) => {
      const at = (j) => {
        const a = start[j], b = end[j] || a;
        return [a[0] + f * (b[0] - a[0]), -(a[1] + f * (b[1] - a[1]))].map((v) => Math.round(v * 100) / 100);
      };
      for (const line of lines) line(at);
    };
    move(share);
    box.append(picture);
    return { box, move };
  }

  // ---- the clock ----------------------------------------------------------------------------------------------------
  // `run.at` is how much of the exercise is over, in seconds. It grows by what the browser's own clock says has passed,
  // so that neither slow timers nor a clock that is set add up to anything.
  let timer = 0, last = 0, wake = null, audio = null;
  function stopClock() {
    clearInterval(timer);
    timer = 0;
    if (wake) { wake.release().catch(() => {}); wake = null; }
  }
  async function keepAwake() {
    try { wake = await navigator.wakeLock.request("screen"); } catch { wake = null; }
  }
  function tone(pitch, length) {
    if (!state.sound) return;
    try {
      audio = audio || new (window.AudioContext || window.webkitAudioContext)();
      const now = audio.currentTime, source = audio.createOscillator(), level = audio.createGain();
      source.frequency.value = pitch;
      level.gain.setValueAtTime(0.0001, now);
      level.gain.exponentialRampToValueAtTime(0.3, now + 0.02);
      level.gain.exponentialRampToValueAtTime(0.0001, now + length);
      source.connect(level).connect(audio.destination);
      source.start(now);
      source.stop(now + length + 0.05);
    } catch { /* no sound: the numbers go on */ }
  }
  const pitchOf = { ready: 440, out: 660, hold: 880, back: 550, rest: 330, otherSide: 440 };

  function start(i) {
    state.run = { day: today(), item: i, at: 0, paused: false };
    keep();
    showRun();
  }
  function phaseAt(item, at) {
    let begun = 0;
    for (let k = 0; k < item.phases.length; ++k) {
      if (at < begun + item.phases[k].s) return { k, phase: item.phases[k], into: at - begun };
      begun += item.phases[k].s;
    }
    return null;
  }
  /** Sets that are over: all of whose phases lie behind. */
  function setsDone(item, at) {
    let begun = 0, done = 0;
    item.phases.forEach((p, k) => {
      begun += p.s;
      const next = item.phases[k + 1];
      if (begun <= at + 1e-6 && (!next || next.set !== p.set)) done = p.set;
    });
    return done;
  }
  const phaseWord = (item, p) => p.k === "out" ? words("out", { word: item.out }) : p.k === "back" ? words("back", { word: item.back })
    : words(p.k);
  const breathWord = (item, p) => !item.moves ? (p.k === "hold" ? words("keepBreathing") : "")
    : p.k === "out" ? words("breatheOut") : p.k === "back" ? words("breatheIn") : p.k === "hold" ? words("keepBreathing") : "";

  function showRun() {
    const run = state.run, item = D.items[run.item];
    const title = el("p", { class: "above" }), count = el("p", { class: "count", "aria-hidden": "true" }),
      phase = el("p", { class: "phase" }), next = el("p", { class: "next" });
    const pause = big("", () => {
      tick(); // what has passed since the last one counts too
      if (!state.run) return;
      run.paused = !run.paused;
      keep();
      tick();
    }, true);
    const sound = link("", () => { state.sound = !state.sound; keep(); tick(); });
    const picture = drawing(item, 0), still = matchMedia("(prefers-reduced-motion: reduce)").matches;
    const line = document.createElementNS("http://www.w3.org/2000/svg", "svg");
    line.setAttribute("class", "breath");
    line.setAttribute("viewBox", "0 0 350 86");
    line.setAttribute("aria-hidden", "true");
    line.innerHTML = '<path/><path class="gone"/><circle r="9"/>';
    const [whole, gone, dot] = line.children;
    if (item.watch) picture.box.prepend(el("p", {}, item.watch));
    show(item.name, title, picture.box, count, phase, line, next, pause,
      big(words("tooMuch"), () => finish("too-hard")), big(words("hurts"), () => showHurt(run.item)),
      sound, el("p", { class: "quiet" }, words("screen")));
    let told = -1, second = -1;

    /** The rep that a phase belongs to, as a line that rises, stays and falls. */
    function drawLine(k, into) {
      const ps = item.phases, p = ps[k];
      const same = (q) => q && q.set === p.set && q.rep === p.rep && q.side === p.side && ["out", "hold", "back"].includes(q.k);
      if (!same(p)) { for (const e of [whole, gone]) e.setAttribute("d", ""); dot.setAttribute("cx", -20); return; }
      let a = k, b = k;
      while (same(ps[a - 1])) --a;
      while (same(ps[b + 1])) ++b;
      const total = ps.slice(a, b + 1).reduce((s, q) => s + q.s, 0), low = 72, high = item.moves ? 16 : 44;
      let x = 0, y = item.moves ? low : high;
      const corners = [[0, y]];
      let at = null, before = [[0, y]];
      for (let j = a; j <= b; ++j) {
        const to = [x + 350 * ps[j].s / total, ps[j].k === "out" ? high : ps[j].k === "back" ? low : y];
        if (j === k) {
          const f = Math.min(1, into / ps[j].s);
          at = [x + f * (to[0] - x), y + f * (to[1] - y)];
          before = [...corners, at];
        }
        corners.push(to);
        [x, y] = to;
      }
      const d = (points) => "M" + points.map((q) => q.map((v) => v.toFixed(1)).join(" ")).join("L");
      whole.setAttribute("d", d(corners));
      gone.setAttribute("d", d(before));
      dot.setAttribute("cx", at[0]);
      dot.setAttribute("cy", at[1]);
    }
    function tick() {
      const now = performance.now();
      if (!run.paused) run.at += (now - last) / 1000;
      last = now;
      const found = phaseAt(item, run.at);
      if (!found) return finish("");
      const { k, phase: p, into } = found, left = Math.ceil(p.s - into - 1e-6);
      title.textContent = words("setOf", { name: item.name, n: p.set, all: item.sets }) + (p.side ? ", " + words(p.side + "_side") : "");
      count.textContent = left;
      phase.textContent = phaseWord(item, p);
      next.textContent = [breathWord(item, p), nextWords(item, k)].filter((t) => t).join(" \u00b7 ");
      pause.textContent = words(run.paused ? "goOn" : "pause");
      sound.textContent = words("sound") + ": " + words(state.sound ? "on" : "off");
      if (!still) picture.move(p.k === "out" ? into / p.s : p.k === "back" ? 1 - into / p.s : p.k === "hold" ? 1 : 0);
      else picture.move(p.k === "hold" || p.k === "out" ? 1 : 0);
      drawLine(k, into);
      if (k !== told && !run.paused) {
        told = k;
        tone(pitchOf[p.k], 0.22);
        said.textContent = [phaseWord(item, p), p.side ? words(p.side + "_side") : "", p.s >= 3 ? Math.round(p.s) + " s" : ""]
          .filter((t) => t).join(", ");
        keep();
      }
      if (left !== second && !run.paused) {
        second = left;
        if (left <= 3 && p.s > 4 && into > 0.5) tone(pitchOf[p.k] * 0.75, 0.08);
        keep();
      }
    }
    last = performance.now();
    stopClock();
    if (!run.paused) keepAwake();
    tick();
    timer = setInterval(tick, 33);
  }
  function nextWords(item, k) {
    const p = item.phases[k], rest = item.phases.slice(k + 1).find((q) => q.k === "rest");
    const reps = new Set(item.phases.slice(k + 1).filter((q) => q.k === "hold" || q.k === "out")
      .map((q) => q.set + "/" + q.side + "/" + q.rep));
    reps.delete(p.set + "/" + p.side + "/" + p.rep);
    const sameSet = [...reps].filter((r) => r.startsWith(p.set + "/")).length;
    if (p.k === "rest" || p.k === "ready" || p.k === "otherSide") return "";
    if (!sameSet && rest) return words("thenRest", { n: rest.s }) + (reps.size ? " \u00b7 " + words("more", { n: reps.size }) : "");
    return reps.size ? words("more", { n: reps.size }) : words("lastOne");
  }
  function finish(effort) {
    stopClock();
    const run = state.run;
    if (!run) return showToday();
    const item = D.items[run.item], record = recordOf(run.day, run.item);
    record.sets = Math.max(record.sets, setsDone(item, run.at));
    if (effort) record.effort = effort;
    state.run = null;
    keep();
    if (!effort) tone(990, 0.5);
    showAfter(run.day, run.item);
  }

  // ---- how it was ---------------------------------------------------------------------------------------------------
  /** Buttons of which one, or any number, is chosen. */
  function choice(label, options, chosen, several, onchange) {
    const box = el("div", { class: "choice", role: "group", "aria-label": label });
    for (const [id, text] of options)
      box.append(el("button", {
        type: "button", "aria-pressed": String(several ? chosen.includes(id) : chosen === id),
        onclick: (event) => {
          if (several) chosen = chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id];
          else chosen = id;
          [...box.children].forEach((b, k) => b.setAttribute("aria-pressed",
            String(several ? chosen.includes(options[k][0]) : chosen === options[k][0])));
          onchange(chosen);
          event.target.focus();
        },
      }, text));
    return box;
  }
  function showAfter(iso, i) {
    const item = D.items[i], record = recordOf(iso, i);
    show(item.name, el("h1", {}, words("well", { name: item.name })),
      el("h2", {}, words("howHard")),
      choice(words("howHard"), ["easy", "right", "hard", "too-hard"].map((e) => [e, words(e)]), record.effort, false,
        (e) => { record.effort = e; keep(); }),
      el("h2", {}, words("felt")),
      choice(words("felt"), item.felt.map((f) => [f.id, f.name]), record.felt, true, (f) => { record.felt = f; keep(); }),
      el("p", {}, ""),
      big(words("goOn"), showToday, true),
      big(words("hurts"), () => showHurt(i)));
  }
  function showDay() {
    const iso = today(), day = dayOf(iso);
    const box = el("textarea", { id: "words", maxlength: "900" });
    box.value = day.words;
    box.addEventListener("input", () => { day.words = box.value; keep(); });
    const told = el("p", { class: "quiet", role: "status" });
    const text = el("textarea", { class: "unseen", readonly: true, "aria-label": words("copy"), tabindex: "-1" });
    show(words("howWas"),
      el("p", { class: "above" }, dayWords(iso)),
      el("h1", {}, words("howWas")),
      el("h2", {}, words("pain")),
      choice(words("pain"), [["no", words("no")], ["yes", words("yes")]], day.pain ? "yes" : "no", false,
        (v) => { if (v === "yes") showHurt(null); else { day.pain = false; keep(); } }),
      el("h2", {}, el("label", { for: "words" }, words("words"))), box,
      el("h2", {}, words("theseWeeks")), weeks(),
      big(words("note"), () => { told.textContent = words("kept", { file: saveNote() }); }, true),
      big(words("copy"), () => copyNote(text, told)), text, told,
      el("p", { class: "quiet" }, words("nothingLeaves")),
      kept ? null : el("p", { class: "stop" }, words("notSaved")),
      link(words("backToday"), showToday));
  }
  function weeks() {
    const table = el("table", { class: "weeks" }), now = today();
    const last = Math.max(...D.plan.map((p) => p.week));
    for (let week = 1; week <= last; ++week) {
      const plan = D.plan.filter((p) => p.week === week);
      if (plan[0].day > now) break;
      const extra = Object.keys(state.days).filter((d) => isDone(d) && !planOf(d) && weekOf(d) === week);
      const done = plan.filter((p) => isDone(p.day)).length + extra.length;
      table.append(el("tr", {}, el("td", { "aria-hidden": "true" },
        ...plan.map((p) => el("i", { class: isDone(p.day) ? "done" : "" })), ...extra.map(() => el("i", { class: "done extra" }))),
        el("th", { scope: "row" }, words("weekDone", { n: plan.length, done, week }))));
    }
    return table;
  }
  const weekOf = (iso) => Math.floor((Date.parse(iso) - Date.parse(D.from)) / 604800000) + 1;

  // ---- pain ---------------------------------------------------------------------------------------------------------
  function showHurt(i) {
    stopClock();
    if (state.run) { state.run.paused = true; keep(); }
    const day = dayOf(today()), box = el("textarea", { id: "where", maxlength: "900" });
    box.value = day.where;
    let flags = day.redFlags;
    show(words("hurts"),
      el("h1", {}, words("hurts")),
      el("p", { class: "stop" }, D.pain),
      el("h2", {}, el("label", { for: "where" }, words("where"))), box,
      el("h2", {}, words("alsoThis")),
      choice(words("alsoThis"), D.redFlags.map((f) => [f.id, f.name]), flags, true, (f) => { flags = f; }),
      el("p", {}, ""),
      big(words("tell"), () => {
        day.pain = true;
        day.where = box.value;
        day.redFlags = flags;
        if (state.run) { // what was done before it hurt has been done
          const record = recordOf(state.run.day, state.run.item);
          record.sets = Math.max(record.sets, setsDone(D.items[state.run.item], state.run.at));
        }
        state.run = null;
        state.stopped = { item: flags.length || i == null ? null : i, urgent: flags.length > 0, day: today() };
        keep();
        showStopped();
      }, true),
      big(words("notHurt"), () => (state.run ? showRun() : showToday())));
  }
  function showStopped() {
    const told = el("p", { class: "quiet", role: "status" });
    const text = el("textarea", { class: "unseen", readonly: true, "aria-label": words("copy"), tabindex: "-1" });
    show(words("stopped"),
      el("h1", {}, words("stopped")),
      el("p", { class: "stop" }, state.stopped.urgent ? D.urgent : D.pain),
      el("p", {}, words("stopRule")),
      big(words("note"), () => { told.textContent = words("kept", { file: saveNote() }); }, true),
      big(words("copy"), () => copyNote(text, told)), text, told,
      el("p", { class: "quiet" }, words("nothingLeaves")),
      state.stopped.item == null ? null : link(words("backToday"), showToday));
  }

  // ---- the note -----------------------------------------------------------------------------------------------------
  function note() {
    const days = Object.keys(state.days).sort().map((iso) => {
      const day = state.days[iso];
      const items = Object.entries(day.items).filter(([, r]) => r.sets > 0 || r.effort).map(([i, r]) => {
        const one = { exercise: D.items[i].exercise, version: D.items[i].versionId, sets: r.sets };
        if (r.effort) one.effort = r.effort;
        if (r.felt.length) one.felt = r.felt;
        return one;
      });
      const out = { day: iso, items, pain: day.pain };
      if (day.where) out.where = day.where;
      if (day.redFlags.length) out.red_flags = day.redFlags;
      if (day.words) out.words = day.words;
      return out;
    }).filter((d) => d.items.length || d.pain || d.words);
    const out = { format: "deft-mirror-practice", version: 1, programme: D.id, days };
    if (D.clientId) out.client_id = D.clientId;
    if (D.client) out.client = D.client;
    return out;
  }
  function saveNote() {
    const file = "practice-" + today() + ".json";
    const url = URL.createObjectURL(new Blob([JSON.stringify(note(), null, 1) + "\n"], { type: "application/json" }));
    const a = el("a", { href: url, download: file });
    document.body.append(a);
    a.click();
    a.remove();
    setTimeout(() => URL.revokeObjectURL(url), 10000);
    return file;
  }
  function noteText() {
    const n = note();
    const lines = n.days.map((d) => words("noteDay", {
      day: dayWords(d.day),
      items: d.items.map((p) => (D.items.find((i) => i.exercise === p.exercise) || {}).name + " \u00d7 " + p.sets
        + (p.effort ? " (" + words(p.effort) + ")" : "")).join(", "),
    }) + (d.pain ? "; " + words("notePain", { where: d.where }) : "") + (d.words ? "\n  " + d.words : ""));
    return [words("noteText", { client: D.client }), "", ...lines, "", words("noteEnd"), JSON.stringify(n)].join("\n");
  }
  async function copyNote(box, told) {
    box.value = noteText();
    try {
      await navigator.clipboard.writeText(box.value);
      told.textContent = words("copied");
    } catch { // not allowed here: by hand
      box.className = "";
      box.removeAttribute("tabindex");
      box.select();
      told.textContent = words("byHand");
    }
  }

  // A page that was closed or loaded anew in the middle goes on where it was, once the client is ready.
  if (state.run && state.run.day === today()) {
    state.run.paused = true;
    showRun();
  } else {
    state.run = null;
    showToday();
  }
})();
