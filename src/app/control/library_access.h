// SPDX-License-Identifier: GPL-3.0-or-later
// The library, asked from the interface thread: the work is done on the library's own thread, the answer
// arrives on the interface thread, unless who asked is no more. No function waits.
#pragma once

#include <QObject>
#include <QPointer>

#include "core/library/library_thread.h"

namespace moorfrost::app {

class LibraryAccess : public QObject {
    Q_OBJECT
public:
    explicit LibraryAccess(const Path& file, QObject* parent = nullptr);

    /// `work(library::Store&)` asks for something and changes nothing. `then` gets a Result<T>; that it
    /// failed has been said.
    template<class Work, class Then>
    void read(QObject* asker, Work work, Then then) {
        thread_.read(std::move(work), handed(asker, std::move(then)));
    }
    /// `work(library::Store&)` changes something, all of it in one transaction. It is kept and tried again
    /// where the disk is what fails (troubleChanged), so `then` comes when it was written; or with an Error
    /// when it never can be, which has been said.
    template<class Work, class Then>
    void write(QObject* asker, Work work, Then then) {
        thread_.write(std::move(work), handed(asker, std::move(then)));
    }
    template<class Work>
    void write(Work work) {
        write(this, std::move(work), [](const auto&) {});
    }

    /// Why what was changed does not reach the library; nullopt while all is well.
    std::optional<library::LibraryTrouble> trouble() const { return thread_.trouble(); }
    void retry() { thread_.retry(); }
    /// Nothing is asked, and every answer has arrived.
    bool isIdle() const { return thread_.isIdle(); }
    /// Grows with all that is asked.
    uint64_t asked() const { return thread_.posted(); }
    const Path& file() const { return thread_.file(); }

signals:
    /// trouble() is another.
    void troubleChanged();
    /// Something could not be read, or could never be written.
    void failed(const QString& sentence);

private:
    template<class Then>
    auto handed(QObject* asker, Then then) {
        return [this, asker = QPointer<QObject>(asker), then = std::move(then)](auto answer) mutable {
            if (!answer)
                fail(answer.error());
            if (asker)
                then(std::move(answer));
        };
    }
    void fail(const Error& error);

    library::LibraryThread thread_;
};

} // namespace moorfrost::app
