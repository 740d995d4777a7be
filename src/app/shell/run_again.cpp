// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/run_again.h"

#include <QApplication>
#include <QEventLoop>
#include <QProgressDialog>
#include <QThread>
#include <QTimer>

#include <memory>

#include "app/shell/main_window.h"
#include "app/shell/text_utils.h"
#include "core/library/store/keeping.h"

namespace moorfrost::app {

namespace {

QString say(const char* text) {
    return QApplication::translate("main", text);
}

/// What was done about a damaged library, to be looked at until it is dismissed.
Trouble putBack(const Path& library) {
    auto aside = library::putBackCopy(library);
    return aside ? Trouble{say("The copy of the library was put back."),
                           say("The damaged library is kept as %1.").arg(shownPath(*aside)),
                           {}}
                 : Trouble{say("The copy was not put back."), qs(aside.error().message), {}};
}

Trouble makeAnew(const Path& library) {
    auto taken = library::makeAnew(library);
    if (!taken)
        return {say("The library was not made anew."), qs(taken.error().message), {}};
    return {say("The library was made anew."),
            say(taken->fromCopy
                    ? "Nothing could be read of the damaged one (%1); from its copy: files %2, drafts "
                      "%3, lines of the journal %4."
                    : "From the damaged one (%1): files %2, drafts %3, lines of the journal %4.")
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

int runUntilEnded(const Path& library, const std::function<int(const std::optional<Trouble>&)>& run) {
    std::optional<Trouble> told;
    for (;;) {
        const int code = run(told);
        if (code != MainWindow::putBackCode && code != MainWindow::makeAnewCode)
            return code;
        const bool anew = code == MainWindow::makeAnewCode;
        told = whileWaiting(anew ? say("The library is being made anew \u2026")
                                 : say("The copy of the library is being put back \u2026"),
                            [&] { return anew ? makeAnew(library) : putBack(library); });
    }
}

} // namespace moorfrost::app
