// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/single_instance.h"

#include <QCryptographicHash>
#include <QDir>
#include <QFile>
#include <QLocalSocket>

namespace moorfrost::app {

namespace {

constexpr int patience = 3000; // milliseconds

/// The same for all ways of naming the file.
QByteArray bytesOf(const Path& library) {
    std::error_code error;
    Path real = std::filesystem::weakly_canonical(library, error);
    const std::string& bytes = (error ? library : real).native();
    return {bytes.data(), static_cast<qsizetype>(bytes.size())};
}

QString lockFile(const Path& library) {
    std::error_code ignored;
    std::filesystem::create_directories(library.parent_path(), ignored);
    return QFile::decodeName((library.native() + ".lock").c_str());
}

} // namespace

SingleInstance::SingleInstance(const Path& library, QObject* parent)
    : QObject(parent),
      name_("moorfrost-" + QCryptographicHash::hash(bytesOf(library), QCryptographicHash::Sha1).toHex()),
      lock_(lockFile(library)) {
    lock_.setStaleLockTime(0); // only when its process is gone
    first_ = lock_.tryLock() ||
             lock_.error() != QLockFile::LockFailedError; // a place without locks holds nobody up
    if (!first_)
        return;
    QLocalServer::removeServer(name_); // of one that crashed
    server_.setSocketOptions(QLocalServer::UserAccessOption);
    server_.listen(name_);
    connect(&server_, &QLocalServer::newConnection, this, &SingleInstance::answer);
}

void SingleInstance::answer() {
    while (QLocalSocket* socket = server_.nextPendingConnection()) {
        connect(socket, &QLocalSocket::disconnected, socket, &QObject::deleteLater);
        connect(socket, &QLocalSocket::readyRead, this, [this, socket, got = QByteArray()]() mutable {
            got += socket->readAll();
            if (got.size() > (1 << 20))
                return socket->abort();
            if (!got.endsWith('\n'))
                return;
            got.chop(1);
            std::vector<Path> folders;
            for (const QByteArray& part : got.split('\0'))
                if (!part.isEmpty())
                    folders.emplace_back(part.toStdString());
            socket->write("ok\n");
            socket->flush();
            emit anotherStarted(folders);
        });
    }
}

bool SingleInstance::handOver(const std::vector<Path>& folders) {
    QLocalSocket socket;
    socket.connectToServer(name_);
    if (!socket.waitForConnected(patience))
        return false;
    QByteArray message;
    for (const Path& p : folders)
        message += QByteArray::fromStdString(p.native()) + '\0';
    socket.write(message + '\n');
    return socket.waitForBytesWritten(patience) && socket.waitForReadyRead(patience);
}

} // namespace moorfrost::app
