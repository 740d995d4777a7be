"use strict";
// The page of a share: plays one sound at a time, keeps comments in this browser, and saves them as a file.
(() => {
  const page = document.documentElement.dataset.page;
  const title = document.querySelector("h1").textContent;
  const asks = document.body.dataset.notes === "yes";
  const audio = new Audio();
  audio.preload = "none";
  const sounds = [...document.querySelectorAll("[data-sound]")].map((element) => ({
    element,
    id: element.dataset.id,
    src: element.dataset.sound,
    seconds: Number(element.dataset.seconds),
    name: element.dataset.name,
    play: element.querySelector(".play"),
    wave: element.querySelector(".wave"),
    slider: element.querySelector(".wave input"),
    time: element.querySelector(".time"),
  }));
  let current = null;

  const clock = (seconds) => {
    const all = Math.max(0, Math.floor(seconds));
    const rest = String(all % 60).padStart(2, "0");
    return all >= 3600
      ? `${Math.floor(all / 3600)}:${String(Math.floor(all / 60) % 60).padStart(2, "0")}:${rest}`
      : `${Math.floor(all / 60)}:${rest}`;
  };
  const lengthOf = (sound) =>
    current === sound && Number.isFinite(audio.duration) && audio.duration > 0 ? audio.duration : sound.seconds;

  const show = (sound) => {
    const mine = current === sound;
    const playing = mine && !audio.paused;
    const at = mine ? audio.currentTime : 0;
    const length = lengthOf(sound);
    sound.play.setAttribute("aria-pressed", String(playing));
    sound.play.textContent = playing ? "\u275A\u275A" : "\u25B6";
    sound.play.setAttribute("aria-label", `${playing ? "Pause" : "Play"} ${sound.name}`);
    sound.wave.style.setProperty("--played", length > 0 ? `${Math.min(100, (100 * at) / length)}%` : "0%");
    sound.slider.value = String(Math.round(at));
    const whole = clock(Math.round(length));
    sound.slider.setAttribute("aria-valuetext", `${clock(at)} of ${whole}`);
    sound.time.textContent = mine && at > 0 ? `${clock(at)} / ${whole}` : whole;
    if (mine) {
      showNoting(sound);
    }
  };

  const choose = (sound) => {
    if (current === sound) {
      return;
    }
    const before = current;
    current = sound;
    audio.src = sound.src;
    if (before) {
      show(before);
    }
    const fold = sound.element.closest("details");
    if (fold) {
      fold.open = true;
    }
  };
  const play = (sound, at) => {
    choose(sound);
    if (at !== undefined) {
      seek(sound, at);
    }
    audio.play().catch(() => {
      sound.time.textContent = "cannot be played";
    });
  };
  const toggle = (sound) => {
    if (current === sound && !audio.paused) {
      audio.pause();
    } else {
      play(sound);
    }
  };
  const seek = (sound, at) => {
    choose(sound);
    const place = Math.max(0, Math.min(at, lengthOf(sound)));
    audio.currentTime = place;
    show(sound);
  };
  const step = (by) => {
    const at = current ? sounds.indexOf(current) + by : 0;
    if (at >= 0 && at < sounds.length) {
      play(sounds[at]);
      sounds[at].play.focus();
    }
  };

  for (const event of ["play", "pause", "timeupdate", "durationchange", "seeked"]) {
    audio.addEventListener(event, () => current && show(current));
  }
  audio.addEventListener("ended", () => {
    const at = sounds.indexOf(current) + 1;
    // Versions follow only when one of them was chosen.
    const next = sounds.slice(at).find((s) => !s.element.closest("details") || s.element.closest("details").open);
    if (next) {
      play(next, 0);
    }
  });
  for (const sound of sounds) {
    sound.play.addEventListener("click", () => toggle(sound));
    sound.slider.addEventListener("input", () => seek(sound, Number(sound.slider.value)));
    show(sound);
  }

  // Comments of who listens.
  const key = `share-page-notes-${page}`;
  let kept = true;
  const load = () => {
    try {
      const notes = JSON.parse(localStorage.getItem(key) || "[]");
      return Array.isArray(notes) ? notes : [];
    } catch {
      kept = false;
      return [];
    }
  };
  let notes = load();
  const store = () => {
    try {
      localStorage.setItem(key, JSON.stringify(notes));
    } catch {
      kept = false;
    }
    tell();
  };
  const told = document.querySelector(".told");
  const save = document.querySelector(".save");
  const tell = () => {
    if (!told) {
      return;
    }
    const count = notes.length === 1 ? "1 note of yours is" : `${notes.length} notes of yours are`;
    told.textContent = notes.length === 0
      ? "Your notes stay in this browser until you save them to send back."
      : `${count} kept ${kept ? "in this browser" : "until this page is closed"}.`;
    save.disabled = notes.length === 0;
  };

  const make = (tag, properties, ...children) => {
    const out = document.createElement(tag);
    Object.assign(out, properties);
    out.append(...children);
    return out;
  };
  const listOf = (sound) => {
    let list = sound.element.querySelector(":scope > .yours");
    if (!list) {
      list = make("ul", { className: "said yours" });
      list.setAttribute("aria-label", `Your notes on ${sound.name}`);
      sound.element.append(list);
    }
    return list;
  };
  const showNotes = (sound) => {
    const mine = notes.filter((n) => n.track === sound.id).sort((a, b) => a.at - b.at);
    if (mine.length === 0) {
      sound.element.querySelector(":scope > .yours")?.remove();
      return;
    }
    listOf(sound).replaceChildren(...mine.map((note) => {
      const at = make("button", { type: "button", className: "at", textContent: clock(note.at) });
      at.addEventListener("click", () => play(sound, note.at));
      const drop = make("button", { type: "button", className: "drop", textContent: "remove" });
      drop.setAttribute("aria-label", `Remove the note at ${clock(note.at)}`);
      drop.addEventListener("click", () => {
        notes = notes.filter((n) => n !== note);
        store();
        showNotes(sound);
      });
      const stars = note.rating ? [make("span", { className: "stars", textContent: "\u2605".repeat(note.rating) })] : [];
      return make("li", {}, at, ...stars, make("span", { textContent: note.text }), drop);
    }));
  };

  let form = null;
  const showNoting = (sound) => {
    if (!asks) {
      return;
    }
    if (!form) {
      const text = make("input", { type: "text", maxLength: 2000 });
      const rating = make("select", {}, make("option", { value: "0", textContent: "no rating" }));
      for (let n = 5; n > 0; --n) {
        rating.append(make("option", { value: String(n), textContent: "\u2605".repeat(n) }));
      }
      rating.setAttribute("aria-label", "Rating");
      const at = make("span", { className: "at" });
      const note = make("button", { type: "submit", className: "button", textContent: "Note" });
      form = make("form", { className: "noting" }, at, text, rating, note);
      form.parts = { text, rating, at };
      form.addEventListener("submit", (event) => {
        event.preventDefault();
        const said = text.value.trim();
        const stars = Number(rating.value);
        if (!current || (said === "" && stars === 0)) {
          return;
        }
        notes.push({ track: current.id, at: Math.floor(form.at), text: said, rating: stars, when: new Date().toISOString() });
        text.value = "";
        rating.value = "0";
        form.frozen = false;
        store();
        showNotes(current);
        showNoting(current);
      });
      // The time stays where one began to type.
      text.addEventListener("input", () => { form.frozen = text.value !== ""; });
    }
    if (form.parentElement !== sound.element) {
      form.frozen = false;
      sound.element.append(form);
    }
    if (!form.frozen) {
      form.at = audio.currentTime;
      form.parts.at.textContent = clock(form.at);
      form.parts.text.placeholder = `Your note at ${clock(form.at)} \u2026`;
      form.parts.text.setAttribute("aria-label", `Your note on ${sound.name}`);
    }
  };

  if (asks) {
    const who = document.querySelector(".who");
    const whoKey = "share-page-who";
    try {
      who.value = localStorage.getItem(whoKey) || "";
    } catch {
      kept = false;
    }
    who.addEventListener("change", () => {
      try {
        localStorage.setItem(whoKey, who.value);
      } catch {
        kept = false;
      }
    });
    save.addEventListener("click", () => {
      const all = { share_page_notes: 1, page, title, who: who.value.trim(), notes };
      const link = make("a", {
        href: URL.createObjectURL(new Blob([JSON.stringify(all, null, 1)], { type: "application/json" })),
        download: `notes ${title} ${who.value.trim()}`.trim().replace(/[^\p{L}\p{N} _-]/gu, "_") + ".json",
      });
      link.click();
      setTimeout(() => URL.revokeObjectURL(link.href), 10000);
    });
    sounds.forEach(showNotes);
    tell();
  }
  for (const place of document.querySelectorAll("[data-at]")) {
    const sound = sounds.find((s) => s.element === place.closest("[data-sound]"));
    place.addEventListener("click", () => sound && play(sound, Number(place.dataset.at)));
  }

  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.target.closest("input[type=text], select, textarea")) {
      return;
    }
    if (event.key === " " && !event.target.closest("button, a, summary")) {
      event.preventDefault();
      toggle(current || sounds[0]);
    } else if (event.key === "j" || event.key === "k") {
      step(event.key === "j" ? 1 : -1);
    } else if (event.key === "n" && asks && current) {
      event.preventDefault();
      form.parts.text.focus();
    }
  });
})();
