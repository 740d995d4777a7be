// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/run_again.h"

#include <QApplication>
#include <QEventLoop>
#include <QProgressDialog>
#include <QThread>
#include <QTimer>

#include <memory>

#include "app/shell/core_sentences.h"
#include "app/shell/library_move.h"
#include "app/shell/main_window.h"
#include "app/shell/text_utils.h"
#include "core/library/store/keeping.h"

namespace moorfrost::app {

namespace {

Path next; // that startsWith() tells

QString say(const char* text) {
    return QApplication::translate("main", text);
}

/// What was done about a damaged library, to be looked at until it is dismissed.
Trouble putBack(const Path& library) {
    auto aside = library::putBackCopy(library);
    return aside ? Trouble{say(QT_TRANSLATE_NOOP("main", "The copy of the library was put back.")),
                           say(QT_TRANSLATE_NOOP("main", "The damaged library is kept as %1."))
                               .arg(shownPath(*aside)),
                           {}}
                 : Trouble{say(QT_TRANSLATE_NOOP("main", "The copy was not put back.")),
                           spoken(aside.error().message),
                           {}};
}

Trouble makeAnew(const Path& library) {
    auto taken = library::makeAnew(library);
    if (!taken)
        return {say(QT_TRANSLATE_NOOP("main", "The library was not made anew.")),
                spoken(taken.error().message),
                {}};
    return {say(QT_TRANSLATE_NOOP("main", "The library was made anew.")),
            say(taken->fromCopy
                    ? QT_TRANSLATE_NOOP("main",
                                        "Nothing could be read of the damaged one (%1); from its copy: files "
                                        "%2, drafts %3, lines of the journal %4.")
                    : QT_TRANSLATE_NOOP(
                          "main", "From the damaged one (%1): files %2, drafts %3, lines of the journal %4."))
                .arg(shownPath(taken->aside))
                .arg(taken->files)
                .arg(taken->drafts)
                .arg(taken->sets),
            {}};
}

/// There is no window of the application at this moment.
Trouble whileWaiting(const QString& text, const std::function<Trouble()>& work) {
    QProgressDialog wait(text, {}, 0, 0);
    wait.setAttribute(Qt::WA_QuitOnClose, false);
    QTimer::singleShot(300, &wait, &QWidget::show);
    Trouble answer;
    QEventLoop loop;
    std::unique_ptr<QThread> thread(QThread::create([&] { answer = work(); }));
    QObject::connect(thread.get(), &QThread::finished, &loop, &QEventLoop::quit);
    thread->start();
    loop.exec();
    thread->wait();
    return answer;
}

} // namespace

const Path& startsWith() {
    return next;
}

int runUntilEnded(const Path& library, const std::function<int(const std::optional<Trouble>&)>& run) {
    std::optional<Trouble> told;
    for (;;) {
        const int code = run(told);
        if (code == MainWindow::moveCode) {
            const std::optional<LibraryMove> move = library_move::takeWish();
            if (!move)
                continue;
            told = whileWaiting(say(QT_TRANSLATE_NOOP("main", "The library is being copied \u2026")), [&] {
                library_move::Outcome outcome = library_move::carryOut(*move, library);
                next = outcome.startWith;
                return outcome.told;
            });
            if (next.empty())
                continue;
            library_move::leaveNote(*move, QStringList{told->title, told->detail}.join(" ").trimmed());
            return startAgainCode;
        }
        if (code != MainWindow::putBackCode && code != MainWindow::makeAnewCode)
            return code;
        const bool anew = code == MainWindow::makeAnewCode;
        told = whileWaiting(
            anew ? say(QT_TRANSLATE_NOOP("main", "The library is being made anew \u2026"))
                 : say(QT_TRANSLATE_NOOP("main", "The copy of the library is being put back \u2026")),
            [&] { return anew ? makeAnew(library) : putBack(library); });
    }
}

} // namespace moorfrost::app
