// SPDX-License-Identifier: GPL-3.0-or-later
#include "support/shots/shots.h"

#include "app/shell/foot.h"
#include "core/files/io.h"
#include "core/library/writing.h"
#include "support/sample_files.h"

#include <csignal>
#include <sys/wait.h>
#include <unistd.h>

using namespace moorfrost;
using namespace moorfrost::app;

namespace moorfrost::shots {

void troubles(Shots& shots) {
    Driver& d = shots.driver;
    MainWindow& w = d.window();
    Controllers& s = d.controllers();
    const Path& root = shots.root;
    auto shot = [&shots](QWidget* widget, const char* name) { shots.take(widget, name); };
    // A write with troubles: a file with another name, and one that something else has changed.
    w.showWorkspace(MainWindow::Bench);
    std::vector<FileId> left;
    for (FileId f : s.sleeves.files())
        if (s.files.file(f)->readable() &&
            s.files.file(f)->path.native().find("/broken/") == std::string::npos &&
            std::filesystem::exists(s.files.file(f)->path))
            left.push_back(f);
    if (left.size() < 6)
        qFatal("too few files are left on the bench");
    std::vector<library::DraftSession::Wish> wishes;
    for (size_t i = 0; i < 6; ++i)
        wishes.push_back({left[i], "genre", {"Field recording"}});
    s.drafts.session().propose("Edit", wishes, "typed");
    std::filesystem::create_hard_link(s.files.file(left[1])->path, root / "another name");
    test::tag(s.files.file(left[2])->path, {{"comment", {"by another program"}}});
    d.settle();
    w.showWorkspace(MainWindow::Review);
    w.foot()->writeButton()->click();
    d.settle();
    shot(&w, "write-troubles");
    for (size_t i = 0; i < left.size() && shots.interrupted.size() < 5; ++i)
        if (FilePtr f = s.files.file(left[i]); i != 1 && i != 2)
            shots.interrupted.push_back(f);
}

/// A write that is killed half way, in a process of its own; then another program changes one of the files.
void interruptAWrite(const Path& library, const std::vector<FilePtr>& files, const Path& shelf) {
    pid_t child = ::fork();
    if (child == 0) {
        int renames = 0;
        struct KillAtRename : files::io::Observer {
            int& count;
            explicit KillAtRename(int& c) : count(c) { files::io::observe(this); }
            int before(files::io::Event& e) override {
                if (e.call == files::io::Call::Rename && ++count == 3)
                    ::raise(SIGKILL);
                return 0;
            }
            void after(const files::io::Event&) override {}
        } killer(renames);
        files::ChangeSet set{"Put away " + std::to_string(files.size()) + " files", {}, {}};
        for (const FilePtr& f : files) {
            files::Step step;
            step.file = f->id;
            step.source = f->path;
            step.changes = {{"genre", {"Field recording"}}};
            step.target = shelf / "Unsorted" / f->path.filename();
            set.steps.push_back(step);
        }
        auto store = library::Store::open(library);
        work::Progress progress;
        library::writeSet(**store, set, 0, {}, progress);
        ::_exit(0);
    }
    int status = 0;
    ::waitpid(child, &status, 0);
    if (!WIFSIGNALED(status))
        qFatal("the write was not interrupted");
    for (auto it = files.rbegin(); it != files.rend(); ++it)
        if (std::filesystem::exists((*it)->path)) {
            test::tag((*it)->path, {{"genre", {"by another program"}}});
            break;
        }
}

} // namespace moorfrost::shots
