// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/program.h"

#include "core/base/version.h"
#include "core/edits/steps.h"
#include "core/text/text.h"

namespace moorfrost::cli {

void describe(CLI::App& app, Options& o, Command& command) {
    app.set_version_flag("--version", std::string("Moorfrost ") + version());
    app.require_subcommand(1);
    app.add_option("--library", o.library, "The library file (else the one in the XDG data folder)");
    app.fallthrough();

    auto add = [&](const char* name, const char* what, int (*run)(const Options&)) {
        CLI::App* sub = app.add_subcommand(name, what);
        sub->callback([&command, run] { command = run; });
        return sub;
    };
    auto withPaths = [&](CLI::App* sub) {
        sub->add_option("path", o.paths, "Files and folders")->required();
        sub->add_flag("--no-subfolders", o.noSubfolders, "Leave out the folders inside the folders");
        return sub;
    };
    CLI::App* rating = add("rate", "Rate recordings", rate);
    rating->add_option("rating", o.step, "1 to 5; 0 takes it away")->required();
    rating->add_option("path", o.paths, "Files that the library knows")->required();
    CLI::App* used = add("uses", "Print where recordings were used, or note a use", uses);
    used->add_option("path", o.paths, "Files that the library knows")->required();
    used->add_option("--add", o.step, "What they were used in");
    used->add_option("--where", o.where, "Where");
    used->add_option("--date", o.when, "When: a year, year-month or year-month-day");
    used->add_option("--note", o.note, "What else is to be said");
    add("rescan", "Look through the shelves: what is new, changed, moved, gone", rescanShelves)
        ->add_option("shelf", o.step, "Only this one, by its name or its folder");
    CLI::App* gathered =
        add("collections", "Print folders, lists and saved searches, or make one", collections);
    gathered->add_option("--make", o.step, "folder, list or search; or remove")
        ->check(CLI::IsMember({"folder", "list", "search", "remove"}));
    gathered->add_option("name", o.name, "What it is called");
    gathered->add_option("--in", o.where, "The folder that it stands in");
    gathered->add_option("--query", o.query, "What a search asks");
    gathered->add_option("--note", o.note, "What it is for");
    CLI::App* audited = add("audit", "What is wrong in the whole library: one object a finding", audit);
    audited->add_option("--rule", o.rules, "Only by this rule; several times");
    audited->add_flag_callback(
        "--rules", [&o] { o.step = "rules"; }, "Print the rules that there are, one object each");
    audited->add_flag_callback(
        "--left", [&o] { o.step = "left"; }, "Those that are left as they are, too");
    audited->add_flag("--measure", o.measure,
                      "Measure sound that was not measured yet first: it takes a while");
    audited->add_flag("--json", o.json, "As it is anyway");
    CLI::App* lacking =
        add("codes", "Recordings without an ISRC, and what references say: one object each", codes);
    lacking->add_option("what", o.step, "gaps, lookup")
        ->required()
        ->check(CLI::IsMember({"gaps", "lookup", "assign", "register"}));
    lacking->add_option("--prefix", o.name, "Of assign: country and registrant, such as ZZFSR");
    lacking->add_option("--year", o.when, "Of assign: in which they are given; none: this one");
    lacking->add_flag("--dry-run", o.dryRun, "Of assign: only tell the next free one");
    lacking->add_flag("--take", o.take, "Of lookup: sure ones become drafts");
    lacking->add_flag("--json", o.json, "As it is anyway");
    CLI::App* listed = add("lists", "Print lists, or what is in one; or add to it", lists);
    listed->add_option("list", o.name, "By its name, or as \"Folder / List\"");
    listed->add_option("--add", o.paths, "Files that the library knows, at the end");
    CLI::App* out = add("export-playlist",
                        "Write a list as M3U8, XSPF or cue sheet, by the ending of the name", exportPlaylist);
    out->add_option("list", o.name, "The list")->required();
    out->add_option("file", o.step, "The playlist")->required();
    out->add_option("--layout", o.layout, "The name of a layout of lists, or a file with one");
    out->add_flag("--absolute", o.absolute, "Places from the top of this computer");
    out->add_option("--rewrite", o.rewrite, "/folder/here=/folder/there: places as on another computer");
    CLI::App* taken =
        add("import-playlist", "Make a list of a playlist: one object an entry, with the evidence",
            importPlaylist);
    taken->add_option("file", o.step, "The playlist")->required();
    taken->add_option("--name", o.name, "What the list is called; none: as the playlist is");
    taken->add_flag("--dry-run", o.dryRun, "Only say what is meant");
    CLI::App* editions = add("releases", "Releases of the library: one object each", releases);
    editions->add_option("query", o.query, "Words of title, artist, label, number, barcode; none: all");
    editions->add_flag("--json", o.json, "As it is anyway");
    editions->add_flag_callback(
        "--sets", [&o] { o.step = "sets"; }, "Which may be editions of one set, with the evidence");
    CLI::App* one = add("release", "Show, enter, fill or remove a release; all of them out and in", release);
    one->add_option("what", o.step, "show, new, fill, remove, export, import")
        ->required()
        ->check(CLI::IsMember({"show", "new", "fill", "remove", "export", "import"}));
    one->add_option("id", o.name, "The number of the release, or a file of it; of import: the file, or -");
    one->add_option("--set", o.fields,
                    "Of new and fill: fact=value, such as label=\"Gannet Row = GR 014\"; several times");
    one->add_option("--tracks", o.list,
                    "Of new and fill: a file with a list of tracks, as it was pasted; -: what comes in");
    one->add_option("--edition-of", o.edition, "Of new: the release whose tracks and recordings it has");
    one->add_flag("--dry-run", o.dryRun, "Of fill: only say what would change");
    one->add_flag("--json", o.json, "As it is anyway");
    CLI::App* versions =
        add("families", "Families of versions: printed, proposed by their names, kept", families);
    versions->add_option("path", o.paths, "Of propose and keep: files that the library knows; none: all");
    versions->add_flag_callback(
        "--propose", [&o] { o.step = "propose"; }, "What may be families, with the evidence");
    versions->add_flag_callback(
        "--keep", [&o] { o.step = "keep"; }, "Keep what is proposed");
    versions->add_flag("--json", o.json, "As it is anyway");
    CLI::App* somebody =
        add("party", "Persons, groups, organisations: listed, shown, entered, merged", party);
    somebody->add_option("what", o.step, "list, show, new, set, merge, remove")
        ->required()
        ->check(CLI::IsMember({"list", "show", "new", "set", "merge", "remove"}));
    somebody->add_option("party", o.paths,
                         "Its number or name; of merge: the one that stays, then the others; of list: words");
    somebody->add_option("--set", o.fields,
                         "Of new and set: fact=value, such as ipi=99900001057; several times");
    somebody->add_flag("--json", o.json, "As it is anyway");
    CLI::App* song = add("work", "Works: listed, shown, entered, with their shares", work);
    song->add_option("what", o.step, "list, show, new, set, of, remove")
        ->required()
        ->check(CLI::IsMember({"list", "show", "new", "set", "of", "remove"}));
    song->add_option(
        "work", o.paths,
        "Its number or title; of \"of\": files whose recordings get their works; of list: words");
    song->add_option("--set", o.fields,
                     "Of new and set: fact=value, such as iswc=T-999.000.104-2; several times");
    song->add_option("--writer", o.writers,
                     "Of new and set: \"Mara Kestrel=1/2=author, composer\"; once for each, all of them");
    song->add_option("--publisher", o.publishers, "The same of publishers");
    song->add_flag("--json", o.json, "As it is anyway");
    CLI::App* parts = add("shares", "Check shares; people, works and shares out and in", shares);
    parts->add_option("what", o.step, "check, export, import")
        ->required()
        ->check(CLI::IsMember({"check", "export", "import"}));
    parts->add_option("name", o.name,
                      "Of check: words of title or names; of import: the file, or -; of export with --csv: "
                      "shares, parties or works");
    parts->add_flag("--csv", o.csv, "Of export: a row each; else all as JSON");
    parts->add_option("--from", o.from, "Of import: what the source is called; else as the file");
    parts->add_flag("--json", o.json, "As it is anyway");
    CLI::App* sheet =
        add("one-sheet", "A sheet of songs or of a release, as text, page, PDF or JSON", oneSheet);
    sheet->add_option("track", o.paths, "Files that the library knows");
    sheet->add_option("--release", o.edition, "Of a release instead: its number, or a file of it");
    sheet->add_option("--layout", o.layout, "The name of a layout, or a file with one; none: the first");
    sheet->add_option("--to", o.to, "A file that ends in .pdf, .html, .txt or .json; none: text is printed");
    sheet->add_flag_callback(
        "--layouts", [&o] { o.step = "layouts"; }, "Print the layouts that there are, one object each");
    sheet->add_flag("--json", o.json, "Printed as JSON");
    auto withTracks = [&](CLI::App* sub) {
        sub->add_option("track", o.paths, "Files that the library knows");
        sub->add_option("--search", o.query, "What a query finds; * for all");
        sub->add_option("--list", o.list, "A list, by its name or with the folders it stands in");
        sub->add_option("--release", o.edition, "A release: its number, or a file of it");
        sub->add_option("--for", o.forWhom, "Who gets it: noted in what was delivered");
        sub->add_flag("--dry-run", o.dryRun, "Only show what would come of it");
        return sub;
    };
    CLI::App* rowsOut = withTracks(add("export", "A sheet of rows for another system", exportRows));
    rowsOut->add_option("--layout", o.layout,
                        "The name of a sheet layout, or a file with one; none: the first");
    rowsOut->add_option("--to", o.to, "The file; none: it is printed");
    rowsOut->add_flag_callback(
        "--layouts", [&o] { o.step = "layouts"; }, "Print the layouts that there are, one object each");
    CLI::App* page =
        withTracks(add("share-page", "A page to listen to and to comment, as a folder", sharePage));
    page->add_option("--layout", o.layout,
                     "The name of a layout of share pages, or a file with one; none: the first");
    page->add_option("--to", o.to, "The folder");
    page->add_option("--title", o.name, "The title; none: as the tracks");
    page->add_option("--notes", o.from, "Instead: takes in comments that came back, a file");
    CLI::App* devices =
        withTracks(add("device", "Devices, or bring one into step: one object a file", device));
    devices->add_option("--sync", o.name, "Bring this one into step")->each([&o](const std::string&) {
        o.step = "sync";
    });
    devices->add_option("--add", o.name, "A new one of this name")->each([&o](const std::string&) {
        o.step = "add";
    });
    devices->add_option("--forget", o.name, "This one is kept in step no more")
        ->each([&o](const std::string&) { o.step = "forget"; });
    devices->add_option("--to", o.to, "Of --add: its folder");
    devices->add_option("--profile", o.layout, "Of --add: the name of a profile, or a file with one");
    CLI::App* bag = withTracks(add("package", "A package for an archive (BagIt), made or verified", package));
    bag->add_option("--make", o.name, "The folder that it is to be")->each([&o](const std::string&) {
        o.step = "make";
    });
    bag->add_option("--verify", o.name, "Read all of this one and compare its sums")
        ->each([&o](const std::string&) { o.step = "verify"; });
    bag->add_option("--layout", o.layout,
                    "The name of a layout of packages, or a file with one; none: the first");
    bag->add_option("--info", o.fields, "Name=value in bag-info.txt; several times");
    CLI::App* rowsIn = add("import", "What a sheet says otherwise, as drafts: one object a row", importRows);
    rowsIn->add_option("sheet", o.paths, "The file")->required();
    rowsIn->add_option("--layout", o.layout, "The sheet layout whose columns it has; none: by its headings");
    rowsIn->add_option("--entries", o.shelf,
                       "Rows without a track become entries without a file on this shelf");
    rowsIn->add_flag("--dry-run", o.dryRun, "Only show what would come of it");
    withPaths(add("scan", "Read files: one object a file", scan));
    auto withWriting = [&](CLI::App* sub) {
        sub->add_option(
               "--other-names", o.otherNames,
               "Files with hard links: change all their names, or this one only; else they are left out")
            ->check(CLI::IsMember({"all", "this"}));
        sub->add_flag(
            "--even-damaged", o.evenDamaged,
            "Write to files that are cut short, too, where their sound can be shown to stay as it is");
        sub->add_flag("--keep-times", o.keepTimes, "Files keep their time of change");
        return sub;
    };
    CLI::App* set = withWriting(withPaths(add("set", "Write fields and pictures", setFields)));
    set->add_option("--field", o.fields,
                    "name=value; several times for several values, blank to remove the field");
    set->add_option(
        "--picture", o.pictures,
        "type=file, such as front=cover.jpg: takes the place of the pictures of that type; several times");
    set->add_option("--no-picture", o.noPictures,
                    "Removes the pictures of a type, such as back; several times");
    CLI::App* stepCommand =
        add("step", "Do one step of the bench with files: casing, number, copy ...", step);
    std::vector<std::string> stepNames;
    for (const moorfrost::edits::StepKind& s : moorfrost::edits::stepKinds())
        stepNames.push_back(s.name);
    stepCommand->add_option("name", o.step, "Which one")->required()->check(CLI::IsMember(stepNames));
    withWriting(withPaths(stepCommand));
    stepCommand->add_option("--option", o.stepOptions,
                            "name=value, such as find=\"_\"; several times (docs/chains.md has them all)");
    stepCommand->add_option("--field", o.fields, "The field, or one of the fields; several times");
    stepCommand->add_option("--to-case", o.casing, "Of casing: title, sentence, lower or upper");
    stepCommand->add_option("--from", o.from, "Of copy, move: the field whose values are taken");
    stepCommand->add_option("--into", o.to, "Of copy, move, join: the field that gets them");
    stepCommand->add_option("--first", o.first, "Of number: the number of the first file");
    stepCommand->add_option("--encoding", o.encoding, "Of mend-text: what it was written in; else found out");
    stepCommand->add_flag("--dry-run", o.dryRun, "Only say what would be written");
    CLI::App* chain = add("run", "Run a chain of steps, as it is kept in a file", runChain);
    chain->add_option("chain", o.chain, "A chain file (docs/chains.md)")->required();
    withWriting(withPaths(chain));
    chain->add_flag("--dry-run", o.dryRun, "Only say what would be written");
    CLI::App* names =
        withWriting(withPaths(add("read-names", "Fill fields from the names of the files", readNames)));
    names->add_option(
        "--plan", o.plan,
        "Such as \"{artist}/{album}/{track} {title}\"; without it each folder is read as its names "
        "are best read");
    names->add_flag("--suggest", o.suggest, "Only tell plans that fit, the best first");
    names->add_flag("--dry-run", o.dryRun, "Only say what would be written");
    CLI::App* put = withPaths(add("put-away", "Rename and move files to their place on a shelf", putAway));
    put->add_option("--shelf", o.shelf, "The root folder; not needed with --rename");
    put->add_option("--plan", o.plan,
                    "Such as \"{album artist, else artist}/{album}/{track: 2 digits} {title}\"")
        ->required();
    put->add_option("--names", o.names, "What names must suit: linux, portable or ascii")
        ->check(CLI::IsMember({"linux", "portable", "ascii"}));
    put->add_flag("--copy", o.copy, "Leave the files where they are and put copies away");
    put->add_flag("--rename", o.rename, "Only names change: each file stays in its folder");
    put->add_option("--on-clash", o.onClash,
                    "Where a name is wanted twice or taken: ask (leave them, and say so), skip, suffix (keep "
                    "both), keep-better (the other goes to the trash, or to --replaced-to)")
        ->check(CLI::IsMember({"ask", "skip", "suffix", "keep-better"}));
    put->add_option(
        "--along", o.along,
        "What goes along with the music: all, none, or of pictures, booklets, cue sheets, logs, texts, "
        "playlists, others, with commas; behind a | a plan of their names, such as \"{album} {name}\"");
    put->add_option("--replaced-to", o.replacedTo, "The folder for what is replaced, instead of the trash");
    put->add_flag("--dry-run", o.dryRun, "Only say what would be done");
    CLI::App* off = add("misplaced", "Files on a shelf whose names are not as its plan has them", misplaced);
    off->add_option("shelf", o.shelf, "Its name, or its folder")->required();
    off->add_option("--plan", o.plan, "Instead of the one by which files were put away there last");
    CLI::App* settled =
        add("settings", "Plans, standards, chains, layouts and the rest, out and in as one file", settings);
    settled->add_option("what", o.step, "export, import")
        ->required()
        ->check(CLI::IsMember({"export", "import"}));
    settled->add_option("file", o.name, "Of import: the file");
    settled->add_option("--to", o.to, "Of export: the file; none: it is printed");
    settled->add_option("--only", o.first,
                        "Of these kinds only, with commas: plans, chains, standards, fields, layouts, "
                        "audit, references, mirror, people, ways");
    settled->add_flag("--dry-run", o.dryRun, "Of import: only say what would be taken");
    CLI::App* placed =
        add("library", "Where the library lies, a copy of it for another machine, and what came from one",
            libraryPlace);
    placed
        ->add_option("what", o.step,
                     "where; copy: into a new folder; bring: of such a folder, to be the own one; shelf: "
                     "that --shelf is this folder now")
        ->required()
        ->check(CLI::IsMember({"where", "copy", "bring", "shelf"}));
    placed->add_option("folder", o.name, "Which folder");
    placed->add_option("--shelf", o.shelf, "Its name, or the folder that it was");
    placed->add_flag("--dry-run", o.dryRun, "Of shelf: only say how many of its files stand there");
    add("journal", "Everything that was written: one object a set", journal);
    add("take-back", "Undo a set that was written", takeBack)
        ->add_option("id", o.set, "Its number")
        ->required();
    CLI::App* kept =
        add("recording", "Which files are one recording, and what the library keeps of it", recording);
    kept->add_option("what", o.step, "show, merge, part or best with files; changes; take-back with a number")
        ->required()
        ->check(CLI::IsMember({"show", "merge", "part", "best", "changes", "take-back"}));
    kept->add_option("path", o.paths, "Files that the library knows, or the number of a change");
    auto withReference = [&](CLI::App* sub) {
        sub->add_option("--reference-data", o.referenceData,
                        "The data of the simulated reference; else as the library has it");
        return sub;
    };
    CLI::App* identified = withReference(
        withWriting(withPaths(add("identify", "Look up which releases the files are", identify))));
    identified
        ->add_option("--by", o.ways,
                     "name, codes, sound, or several with commas (name and codes, if nothing is said)")
        ->check([](const std::string& ways) {
            for (const std::string& way : moorfrost::text::split(ways, ","))
                if (way != "name" && way != "codes" && way != "sound")
                    return way + " is none of name, codes, sound";
            return std::string();
        });
    identified->add_flag("--take-sure", o.takeSure, "Write the fields of those that are sure");
    identified->add_flag("--dry-run", o.dryRun, "With --take-sure: only say what would be written");
    CLI::App* refs =
        withReference(add("reference", "Ask the references, or serve the simulated one", reference));
    refs->add_option("what", o.step, "search with words; serve")
        ->required()
        ->check(CLI::IsMember({"search", "serve"}));
    refs->add_option("words", o.paths, "Artist, album, titles, codes");
    refs->add_option("--port", o.port, "Of serve: the port; 0: a free one")->check(CLI::Range(0, 65535));
    refs->add_option("--limit", o.limit, "Of search: no more than these");
    withPaths(add("fingerprint", "Print the fingerprints of files", fingerprint));
    withPaths(
        add("sound", "Measure the sound of files: loudness, peaks, and what may be wrong with it", sound))
        ->add_flag("--json", o.json, "All that was measured, too");
    CLI::App* picture = add("spectrogram", "Make a picture of the sound of a file", spectrogram);
    picture->add_option("file", o.paths, "The file")->required()->expected(1);
    picture->add_option("--to", o.to, "The picture, a PNG")->required();
    picture->add_option("--from", o.fromSeconds, "From this second on");
    picture->add_option("--until", o.untilSeconds, "To this second; all of it, if nothing is said");
    picture->add_option("--highest", o.highest,
                        "Up to this frequency, Hz; half of the rate, if nothing is said");
    picture->add_option("--width", o.width, "Pixels of the spectrum")->check(CLI::Range(50, 4096));
    picture->add_option("--height", o.height, "Pixels of the spectrum")->check(CLI::Range(40, 1024));
    CLI::App* matched =
        withReference(withPaths(add("match", "Which recordings files are by their sound", match)));
    matched->add_option("--against", o.against, "Only the library, or only the references")
        ->check(CLI::IsMember({"library", "reference"}));
    add("duplicates", "Files on shelves that sound the same: one object a group", duplicates)
        ->add_flag("--json", o.json, "As it is anyway");
    CLI::App* discs =
        withReference(add("disc", "Read the tables of discs, find them, make files of their tracks", disc));
    discs->add_option("what", o.step, "toc, find, or rip")
        ->required()
        ->check(CLI::IsMember({"toc", "find", "rip"}));
    discs->add_option("path", o.paths, "Drives (/dev/sr0), or cue sheets of disc images")->required();
    discs->add_option("--into", o.into, "Of rip: the folder in which each disc gets one of its own");
    discs->add_option("--shelf", o.shelf,
                      "Of rip: the folder of a shelf, instead; the journal keeps the rip as one set");
    discs->add_option("--plan", o.plan, "Of rip: how files are named (in the manual: Plans)");
    discs->add_option("--names", o.names, "Of rip: what names must suit: linux, portable or ascii");
    discs->add_option("--edition", o.edition,
                      "Of rip: what the disc is, by its number at a reference, such as cairn:night-post-cd");
    discs->add_option("--offset", o.offset,
                      "Of rip: by how many samples what the drive reads comes too late on the disc; find: by "
                      "what others have read of the edition");
    discs->add_option("--log", o.log, "Of rip: a file that gets the report, too");
    discs->add_flag("--eject", o.eject, "Of rip: open the drive when all is ripped");
    discs->add_option("--format", o.format, "Of rip: flac, alac, wavpack, wav, aiff, mp3, vorbis or opus");
    discs->add_option("--bitrate", o.limit, "Of rip, for MP3, Vorbis and Opus: kilobits per second");
    discs->add_option(
        "--tracks", o.list,
        "Of rip: which ones, such as 1,3,5, 0 for what is before track 1; all from 1 on, if nothing is said");
    CLI::App* fix = withPaths(add("fixity", "Print checksums of the sound, without the tags", fixity));
    fix->add_flag("--sha256", o.sha256, "SHA-256 as well");
    fix->add_flag("--store", o.store, "Keep them in the library");
    CLI::App* check = add("verify", "Compare the sound of files with stored checksums", verify);
    check->add_option("path", o.paths, "Files and folders; none: all whose fixity is stored");
    check->add_flag("--no-subfolders", o.noSubfolders, "Leave out the folders inside the folders");
    check->add_option("--against", o.against, "A file with what \"fixity\" printed, instead of the library")
        ->excludes("path");
    check
        ->add_option("--oldest", o.oldest,
                     "So many gigabytes of what was compared longest ago, as every night")
        ->check(CLI::PositiveNumber)
        ->excludes("path")
        ->excludes("--against");
    withPaths(
        add("decode", "Decode files to their end; of FLAC also compare the MD5 sum in the file", decode));
    CLI::App* sums = add("checksums", "Write or check a list of SHA-256 sums of whole files", checksums);
    sums->add_option("list", o.list, "The list, in the form of sha256sum")->required();
    sums->add_option("--write", o.paths, "Write it, of all files under this folder; else it is checked")
        ->expected(1);
    check->add_flag("--sha256", o.sha256, "SHA-256 of new files as well");
    auto withLimit = [&](CLI::App* sub) {
        sub->add_option("--limit", o.limit, "No more than these");
        return sub;
    };
    CLI::App* find = withLimit(add("search", "Find files that are put away: one object a file", search));
    find->add_option("query", o.query,
                     "Words, \"phrases\", field:value, not, or: in the manual, see Questions to the library")
        ->required();
    find->add_option("--sort", o.sort, "A field, or field:down; several times for within the same");
    find->add_flag("--count", o.count, "Only how many");
    const char* beginnings = "Words only at the beginnings of words, not inside them";
    find->add_flag("--beginnings", o.beginnings, beginnings);
    CLI::App* count = withLimit(add("facets", "How many files that are put away have which value", facets));
    count->add_option("query", o.query, "Of what this query finds; none: of all");
    count->add_option("--by", o.by, "A field, or decade, year, format, codec, kind, missing; several times")
        ->required();
    count->add_flag("--beginnings", o.beginnings, beginnings);
    add("stats", "What the library holds, as one object", stats);
    CLI::App* completing =
        add("completion", "Print what lets a shell complete this program's words", nullptr);
    completing->add_option("shell", o.step, "bash, zsh or fish")
        ->required()
        ->check(CLI::IsMember({"bash", "zsh", "fish"}));
    add("man", "Print the page of the manual, as man reads it", nullptr);
}

} // namespace moorfrost::cli
