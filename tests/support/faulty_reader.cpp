// SPDX-License-Identifier: GPL-3.0-or-later
// A reading process that does on certain names what a parser might do on a hostile file.
#include <csignal>
#include <vector>

#include <fcntl.h>

#include "core/sandbox/messages.h"
#include "core/sandbox/worker.h"

#include <unistd.h>

using namespace moorfrost;

namespace {

bool has(const std::string& path, const char* word) {
    return path.find(word) != std::string::npos;
}

void misbehave(const std::string& path, const sandbox::Answers& send) {
    if (has(path, "crash"))
        std::raise(SIGSEGV);
    if (has(path, "quit"))
        ::_exit(0);
    static volatile int turns = 0;
    while (has(path, "endless"))
        turns = turns ^ 1;
    if (has(path, "greedy"))
        for (std::vector<std::string> all;;)
            all.emplace_back(64u << 20, 'x');
    if (has(path, "babble"))
        send(std::string(40, '\xEE'));
    if (has(path, "scribbler"))
        for (const std::string& file : {path, path + ".made"}) {
            const int fd = ::open(file.c_str(), O_WRONLY | O_CREAT | O_APPEND, 0600);
            (void)!::write(fd, "scribbled", 9);
            ::close(fd);
        }
}

void answer(std::string_view request, const sandbox::Answers& send) {
    WireReader in(request);
    auto ask = static_cast<sandbox::Ask>(in.number());
    if (ask == sandbox::Ask::Read) {
        for (const std::string& path : in.texts()) {
            WireWriter one;
            one.number(static_cast<uint64_t>(ask)).texts({path});
            if (has(path, "babble"))
                misbehave(path, send);
            else
                sandbox::answerRequest((misbehave(path, send), one.bytes()), send);
        }
    } else if (ask == sandbox::Ask::Edit) {
        for (size_t n = in.count(); n > 0; --n) {
            Path path = in.text();
            misbehave(path, send);
            const tags::Fields changes = sandbox::takeFields(in);
            in.number(); // what to do with damage
            in.text();   // where pictures are kept
            auto edit = tags::makeEdit(path, changes);
            if (has(path, "liar")) // a change that replaces the sound by something else
                edit->recipe.extents = {{true, 0, edit->recipe.fresh.size()}};
            send(sandbox::answerOf(edit));
        }
    } else {
        WireReader again(request);
        again.number();
        misbehave(again.text(), send);
        sandbox::answerRequest(request, send);
    }
}

} // namespace

int main() {
    sandbox::limitOneself();
    sandbox::serve(STDIN_FILENO, [](std::string_view request, const sandbox::Answers& send) {
        try {
            answer(request, send);
        } catch (const std::bad_alloc&) {
            ::_exit(sandbox::outOfMemory);
        }
    });
    return 0;
}
