#!/usr/bin/env python3
# SPDX-License-Identifier: GPL-3.0-or-later
"""Share pages in a real browser, opened from the disk: what is heard, seeked, noted and saved; that nothing is
loaded from elsewhere; that it is quick; that keyboards and narrow windows do.

test_page.py MOORFROST-CLI WORK-FOLDER [SCREENSHOT-FOLDER]
"""
import json
import os
import shutil
import subprocess
import sys
import time

from selenium import webdriver
from selenium.webdriver.chrome.options import Options
from selenium.webdriver.chrome.service import Service
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

cli, work = os.path.abspath(sys.argv[1]), os.path.abspath(sys.argv[2])
shots = os.path.abspath(sys.argv[3]) if len(sys.argv) > 3 else None
library = os.path.join(work, "library.db")
failures = []


def check(what, told=""):
    if not what:
        failures.append(told)
        print("FAIL:", told)


def run(*arguments, fine=True):
    done = subprocess.run([cli, "--library", library, *arguments], text=True, capture_output=True)
    if fine and done.returncode != 0:
        raise SystemExit(f"{arguments}: {done.stdout}\n{done.stderr}")
    return [json.loads(line) for line in done.stdout.splitlines()]


def sound(name, seconds, pitch, **tags):
    path = os.path.join(work, "in", name)
    os.makedirs(os.path.dirname(path), exist_ok=True)
    subprocess.run(["ffmpeg", "-v", "quiet", "-y", "-f", "lavfi", "-i",
                    f"sine=frequency={pitch}:duration={seconds}:sample_rate=44100",
                    *[a for k, v in tags.items() for a in ("-metadata", f"{k}={v}")], path], check=True)
    return path


def browser(width=1000, height=820):
    options = Options()
    for argument in ("--headless=new", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage", f"--window-size={width},{height}",
                     "--autoplay-policy=no-user-gesture-required", f"--user-data-dir={work}/profile"):
        options.add_argument(argument)
    options.set_capability("goog:loggingPrefs", {"browser": "ALL", "performance": "ALL"})
    options.add_experimental_option("prefs", {"download.default_directory": os.path.join(work, "downloads")})
    return webdriver.Chrome(service=Service("/usr/bin/chromedriver"), options=options)


def wait(condition, told, seconds=10):
    end = time.time() + seconds
    while time.time() < end:
        if condition():
            return True
        time.sleep(0.05)
    check(False, told)
    return False


shutil.rmtree(work, ignore_errors=True)
os.makedirs(os.path.join(work, "downloads"))
titles = [("Lanterns", 220), ("Lanterns (Instrumental)", 330), ("Undertow </h1><script>document.title='x'</script>", 440), ("Wire and Heather", 550)]
for number, (title, pitch) in enumerate(titles):
    sound(f"{number + 1}.flac", 6, pitch, title=title, artist="Kestrel & Rook", comment="a secret of the house")
os.makedirs(os.path.join(work, "shelf"))
run("put-away", os.path.join(work, "in"), "--shelf", os.path.join(work, "shelf"), "--plan", "{title}", "--copy", fine=False)
paths = sorted(os.path.join(r, f) for r, _, fs in os.walk(os.path.join(work, "shelf")) for f in fs)
check(len(paths) == 4, f"put away: {paths}")
folder = os.path.join(work, "out", "Lanterns & more")
made = run("share-page", *paths, "--to", folder, "--title", "Lanterns & more", "--for", "Tarnholm Players")
check(made[-1]["tracks"] == 4, f"made: {made}")
page = os.path.join(folder, "index.html")
html = open(page, encoding="utf-8").read()
for leak in ("secret", work, ".flac"):
    check(leak not in html, f"the page tells {leak!r}")

driver = browser()
try:
    address = "file://" + page.replace(" ", "%20").replace("&", "%26")
    driver.get(address)
    check(driver.find_element(By.TAG_NAME, "h1").text == "Lanterns & more", "the title")
    check("Lanterns" in driver.title and driver.title != "x", f"a title became markup: {driver.title}")
    rows = driver.find_elements(By.CSS_SELECTOR, ".track")
    check(len(rows) == 4, "tracks")
    if shots:
        driver.save_screenshot(os.path.join(shots, "share-page-light.png"))
    # Plays, and goes on.
    button = rows[0].find_element(By.CSS_SELECTOR, ".play")
    button.click()
    wait(lambda: button.get_attribute("aria-pressed") == "true", "it does not play")
    wait(lambda: "/" in rows[0].find_element(By.CSS_SELECTOR, ".time").text and
         not rows[0].find_element(By.CSS_SELECTOR, ".time").text.startswith("0:00"), "its time stands still")
    check(button.get_attribute("aria-label").startswith("Pause"), "the button does not say what it does")
    button.click()
    wait(lambda: button.get_attribute("aria-pressed") == "false", "it does not pause")
    # A place is gone to by keyboard.
    slider = rows[0].find_element(By.CSS_SELECTOR, "input[type=range]")
    slider.send_keys(Keys.HOME, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)
    wait(lambda: slider.get_attribute("value") == "3", f"the place: {slider.get_attribute('value')}")
    check(slider.get_attribute("aria-valuetext") == "0:03 of 0:06", slider.get_attribute("aria-valuetext"))
    # A note at that place, with a rating.
    form = driver.find_element(By.CSS_SELECTOR, ".noting")
    form.find_element(By.CSS_SELECTOR, "input").send_keys("the bell comes one bar earlier")
    form.find_element(By.CSS_SELECTOR, "option[value='4']").click()
    form.find_element(By.CSS_SELECTOR, "button").click()
    wait(lambda: "the bell comes" in rows[0].text, "the note is not shown")
    check("0:03" in rows[0].find_element(By.CSS_SELECTOR, ".yours").text, "the note has no time")
    who = driver.find_element(By.CSS_SELECTOR, ".who")
    who.send_keys("Producer", Keys.TAB)
    # J goes to the next, Space pauses.
    driver.find_element(By.TAG_NAME, "body").send_keys("j")
    second = rows[1].find_element(By.CSS_SELECTOR, ".play")
    wait(lambda: second.get_attribute("aria-pressed") == "true", "J does not go on")
    driver.execute_script("document.activeElement.blur()")
    driver.find_element(By.TAG_NAME, "body").send_keys(" ")
    wait(lambda: second.get_attribute("aria-pressed") == "false", "Space does not pause")
    # It is there after the page was closed.
    driver.get("about:blank")
    driver.get(address)
    rows = driver.find_elements(By.CSS_SELECTOR, ".track")
    check("the bell comes" in rows[0].text, "the note is lost when the page is opened again")
    check("1 note of yours is kept" in driver.find_element(By.CSS_SELECTOR, ".told").text, "how many notes")
    driver.find_element(By.CSS_SELECTOR, ".save").click()
    saved = os.path.join(work, "downloads")
    wait(lambda: [f for f in os.listdir(saved) if f.endswith(".json")], "the notes are not saved")
    notes = [f for f in os.listdir(saved) if f.endswith(".json")]
    took = run("share-page", "--notes", os.path.join(saved, notes[0]))
    check(took[0]["text"] == "the bell comes one bar earlier" and took[0]["rating"] == 4 and took[0]["who"] == "Producer" and
          took[-1]["new"] == 1, f"the notes came back as {took}")
    check(took[0]["path"] == paths[0], f"of another track: {took}")
    # Nothing else was asked for, and nothing went wrong.
    asked = [json.loads(e["message"])["message"] for e in driver.get_log("performance")]
    urls = {a["params"]["request"]["url"] for a in asked if a["method"] == "Network.requestWillBeSent"}
    ours = ("file://" + folder.replace(" ", "%20").replace("&", "%26"), "about:", "blob:", "data:", "chrome:")  # its own first page
    check(all(u.startswith(ours) for u in urls), f"loaded from elsewhere: {[u for u in urls if not u.startswith(ours)]}")
    bad = [e["message"] for e in driver.get_log("browser") if e["level"] == "SEVERE"]
    check(not bad, f"errors: {bad}")
finally:
    driver.quit()

# Narrow: nothing is cut off.
driver = browser(420, 800)
try:
    driver.get(address)
    wide = driver.execute_script("return [document.documentElement.scrollWidth, window.innerWidth]")
    check(wide[0] <= wide[1], f"cut off in a narrow window: {wide}")
    if shots:
        driver.save_screenshot(os.path.join(shots, "share-page-narrow.png"))
finally:
    driver.quit()

# 200 tracks from the disk in less than a second, and they play.
many = os.path.join(work, "many")
os.makedirs(os.path.join(many, "sound"))
start = html.index('<li class="track"')
end = html.index("</ol>\n</main>")
one = html[start:html.index('<li class="track"', start + 1)]
big = html[:start] + "".join(one.replace('data-id="1"', f'data-id="{n}"') for n in range(200)) + html[end:]
open(os.path.join(many, "index.html"), "w", encoding="utf-8").write(big)
shutil.copytree(os.path.join(folder, "sound"), os.path.join(many, "sound"), dirs_exist_ok=True)
driver = browser()
try:
    driver.get("about:blank")
    times = []
    for _ in range(3):
        driver.get("file://" + os.path.join(many, "index.html"))
        times.append(driver.execute_script("const t = performance.getEntriesByType('navigation')[0]; return t.loadEventEnd - t.startTime"))
    print(f"200 tracks: {min(times):.0f} ms to the end of loading (of {[round(t) for t in times]})")
    check(min(times) < 1000, f"too slow: {times}")
    last = driver.find_elements(By.CSS_SELECTOR, ".track .play")[-1]
    driver.execute_script("arguments[0].scrollIntoView()", last)
    last.click()
    wait(lambda: last.get_attribute("aria-pressed") == "true", "the last of 200 does not play")
finally:
    driver.quit()

print("share pages:", "FAILED" if failures else "all is well")
sys.exit(1 if failures else 0)
