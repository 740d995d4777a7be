// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/desktop/recent_files.h"

#include <QFile>
#include <QFileInfo>
#include <QMimeDatabase>
#include <QStandardPaths>
#include <QThreadPool>
#include <QXmlStreamReader>
#include <QXmlStreamWriter>

#include "app/shell/text_utils.h"
#include "core/files/disk.h"

namespace moorfrost::app::recent_files {

namespace {

constexpr const char* us = "Moorfrost";
constexpr const char* bookmarks = "http://www.freedesktop.org/standards/desktop-bookmarks";
constexpr const char* mimes = "http://www.freedesktop.org/standards/shared-mime-info";
constexpr const char* owner = "http://freedesktop.org";
constexpr qint64 largest = 16 << 20;

/// Each byte that is not plain stands as %XX: a name need not be text.
QString addressOf(const Path& path) {
    return "file://" + QString::fromLatin1(QByteArray::fromStdString(path.native()).toPercentEncoding("/"));
}

/// Of a folder by looking at it: its name need not be text.
QString mimeOf(const Path& path) {
    std::error_code error;
    return std::filesystem::is_directory(path, error)
               ? QString("inode/directory")
               : QMimeDatabase().mimeTypeForFile(QFileInfo(QFile::decodeName(path.c_str()))).name();
}

QThreadPool& pool() {
    static QThreadPool one;
    one.setMaxThreadCount(1); // one after the other: each reads what the last one wrote
    return one;
}

class Writing {
public:
    Writing(const QByteArray& list, const Path& used, const QDateTime& when)
        : reader_(list), writer_(&out_), address_(addressOf(used)),
          when_(when.toUTC().toString(Qt::ISODateWithMs)), mime_(mimeOf(used)) {}

    std::optional<QByteArray> run() {
        while (!reader_.atEnd()) {
            reader_.readNext();
            if (reader_.hasError())
                return std::nullopt;
            if (reader_.isStartElement() && reader_.qualifiedName() == u"bookmark" &&
                reader_.attributes().value("href") == address_)
                bookmark();
            else if (reader_.isEndElement() && reader_.qualifiedName() == u"xbel") {
                if (!found_)
                    add();
                writer_.writeCurrentToken(reader_);
            } else {
                writer_.writeCurrentToken(reader_);
            }
        }
        if (reader_.hasError()) // in the midst of what is ours
            return std::nullopt;
        return out_;
    }

private:
    void application(int count) {
        writer_.writeEmptyElement(bookmarks, "application");
        writer_.writeAttribute("name", us);
        writer_.writeAttribute("exec", "'moorfrost %f'");
        writer_.writeAttribute("modified", when_);
        writer_.writeAttribute("count", QString::number(count));
    }
    /// The one that is there: of other programs it keeps all.
    void bookmark() {
        found_ = true;
        writer_.writeStartElement("bookmark");
        for (const QXmlStreamAttribute& one : reader_.attributes())
            if (one.name() != u"modified" && one.name() != u"visited")
                writer_.writeAttribute(one);
        writer_.writeAttribute("modified", when_);
        writer_.writeAttribute("visited", when_);
        int count = 1;
        bool told = false;
        while (!reader_.atEnd()) {
            reader_.readNext();
            const auto name = reader_.name();
            const bool ofApplications = reader_.namespaceUri() == QLatin1String(bookmarks);
            if (reader_.isStartElement() && ofApplications && name == u"application" &&
                reader_.attributes().value("name") == QLatin1String(us)) {
                count = reader_.attributes().value("count").toInt() + 1;
                reader_.skipCurrentElement();
                continue;
            }
            if (reader_.isEndElement() && ofApplications && name == u"applications" && !told) {
                application(count);
                told = true;
            }
            writer_.writeCurrentToken(reader_);
            if (reader_.isEndElement() && reader_.qualifiedName() == u"bookmark")
                return;
        }
    }
    void add() {
        writer_.writeStartElement("bookmark");
        writer_.writeAttribute("href", address_);
        for (const char* time : {"added", "modified", "visited"})
            writer_.writeAttribute(time, when_);
        writer_.writeStartElement("info");
        writer_.writeStartElement("metadata");
        writer_.writeAttribute("owner", owner);
        writer_.writeEmptyElement(mimes, "mime-type");
        writer_.writeAttribute("type", mime_);
        writer_.writeStartElement(bookmarks, "applications");
        application(1);
        writer_.writeEndElement();
        writer_.writeEndElement();
        writer_.writeEndElement();
        writer_.writeEndElement();
    }

    QXmlStreamReader reader_;
    QByteArray out_;
    QXmlStreamWriter writer_;
    QString address_, when_, mime_;
    bool found_ = false;
};

} // namespace

Path listOfDesktop() {
    return Path(ss(QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation))) /
           "recently-used.xbel";
}

std::optional<QByteArray> withUse(const QByteArray& list, const Path& used, const QDateTime& when) {
    QByteArray empty = "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<xbel version=\"1.0\" xmlns:bookmark=\"";
    empty += QByteArray(bookmarks) + "\" xmlns:mime=\"" + mimes + "\">\n</xbel>\n";
    return Writing(list.trimmed().isEmpty() ? empty : list, used, when).run();
}

void note(const Path& used, const Path& list) {
    pool().start([used, list] {
        QFile file(QFile::decodeName(list.c_str()));
        if (file.size() > largest)
            return;
        const bool isThere = file.exists();
        if (isThere && !file.open(QIODevice::ReadOnly))
            return;
        const auto now = withUse(isThere ? file.readAll() : QByteArray(), used, QDateTime::currentDateTime());
        if (!now)
            return;
        if (!files::makeFolders(list.parent_path()) || !files::writeWhole(list, now->toStdString()))
            return;
        std::error_code ignored; // nobody else is to read it
        using std::filesystem::perms;
        std::filesystem::permissions(list, perms::owner_read | perms::owner_write, ignored);
    });
}

void wait() {
    pool().waitForDone();
}

} // namespace moorfrost::app::recent_files
