// SPDX-License-Identifier: GPL-3.0-or-later
// Random sequences of edits, moves, exchanges, copies and takings back, against a plain model in memory: what
// lies where, with which bytes, and what can be taken back.
#include <QtTest>

#include <random>

#include "core/audio/essence.h"
#include "core/library/writing.h"
#include "core/tags/tag_io.h"
#include "support/sample_files.h"
#include "support/share.h"

using namespace moorfrost;
using files::StepState;

namespace {

using Disk = std::map<std::string, std::string>;

/// A step as it was done.
struct Effect {
    std::string from, to, before, after;
    bool copy = false, back = false;
};

struct Written {
    int64_t set = 0;
    std::vector<Effect> effects;
};

class Sequence {
public:
    Sequence(library::Store& store, const Path& root, uint32_t seed)
        : store_(store), root_(root), random_(seed) {
        size_t count = 3 + next(3);
        for (size_t i = 0; i < count; ++i) {
            const std::string& ending = test::endings()[next(test::endings().size())];
            Path file = test::makeSound(root_ / "m", "f" + std::to_string(i) + ending,
                                        static_cast<uint32_t>(next(4)));
            model_[file.native()] = test::readBytes(file);
        }
        for (const auto& [path, bytes] : model_)
            sounds_.insert(essence(path));
    }

    /// Empty if all went as the model says.
    std::string run(size_t operations) {
        for (size_t i = 0; i < operations; ++i) {
            bool back = !history_.empty() && next(5) < 2;
            std::string wrong = back ? takeBack() : write(i);
            if (wrong.empty() && look() != model_)
                wrong = back ? "the disk differs after taking back" : "the disk differs after writing";
            if (!wrong.empty())
                return wrong;
        }
        std::multiset<std::string> still;
        for (const auto& [path, bytes] : model_)
            still.insert(essence(path));
        return std::includes(still.begin(), still.end(), sounds_.begin(), sounds_.end()) ? ""
                                                                                         : "a sound is gone";
    }

private:
    size_t next(size_t n) { return random_() % n; }

    Disk look() const {
        Disk found;
        for (const auto& e : std::filesystem::recursive_directory_iterator(root_))
            if (e.is_regular_file())
                found[e.path().native()] = test::readBytes(e.path());
        return found;
    }

    static std::string essence(const std::string& path) {
        auto source = FileSource::open(path);
        return audio::essenceOf(**source, audio::detectFormat(**source))->hash;
    }

    std::string write(size_t number) {
        std::vector<std::string> names;
        for (const auto& [path, bytes] : model_)
            names.push_back(path);
        std::shuffle(names.begin(), names.end(), random_);
        names.resize(1 + next(names.size()));
        files::ChangeSet set{"sequence", {}, {}};
        // Some of them change places, each going to where the next one is.
        size_t circle = next(3) == 0 && names.size() > 1 ? 2 + next(names.size() - 1) : 0;
        for (size_t i = 0; i < names.size(); ++i) {
            files::Step s;
            s.source = names[i];
            if (next(3))
                s.changes["title"] = {std::string(1 + next(60), 't')};
            if (next(12) == 0)
                s.changes["comment"] = {std::string(next(9000) + 1, 'c')};
            if (next(6) == 0)
                s.changes["artist"] = {};
            if (i < circle) {
                s.target = names[(i + 1) % circle];
            } else if (next(2)) {
                s.target =
                    root_ / "m" / ("d" + std::to_string(next(3))) /
                    (std::to_string(number) + "-" + std::to_string(i) + Path(names[i]).extension().native());
                s.copy = next(4) == 0 && model_.size() < 9;
            }
            if (s.changes.empty() && s.target.empty())
                s.changes["title"] = {"x"};
            set.steps.push_back(s);
        }
        if (next(3) == 0)
            set.hardLinks = files::HardLinks::AllNames;
        set.keepTimes = next(2);
        work::Progress progress;
        auto outcome = library::writeSet(store_, set, 0, {}, progress);
        Written written{outcome.set, {}};
        Disk after = model_;
        for (const files::StepRecord& r : outcome.report.steps) {
            if (r.state != StepState::Done) // a place that is taken already: nothing else may fail
                if (r.error.find("in that place already") == std::string::npos)
                    return r.error + outcome.report.error;
            if (r.state == StepState::Done && !r.step.target.empty() && !r.step.copy)
                after.erase(r.step.source.native());
        }
        for (const files::StepRecord& r : outcome.report.steps) {
            if (r.state != StepState::Done)
                continue;
            Effect e{r.step.source.native(),
                     (r.step.target.empty() ? r.step.source : r.step.target).native(),
                     model_[r.step.source.native()],
                     {},
                     r.step.copy,
                     false};
            e.after = test::readBytes(e.to);
            if (r.step.changes.empty() && e.after != e.before)
                return "a move changed the bytes";
            if (!r.step.changes.empty()) {
                auto read = tags::readTags(e.to);
                if (!read)
                    return read.error().message;
                for (const auto& [key, values] : r.step.changes)
                    if ((read->fields.contains(key) ? read->fields[key] : std::vector<std::string>()) !=
                        values)
                        return "a field is not as asked: " + key;
            }
            after[e.to] = e.after;
            written.effects.push_back(e);
        }
        model_ = after;
        history_.push_back(written);
        return {};
    }

    /// What the model expects of one step.
    bool canGoBack(size_t set, const Effect& e, const std::vector<Effect>& together) const {
        for (size_t later = set + 1; later < history_.size(); ++later)
            for (const Effect& other : history_[later].effects)
                if (!other.back && (other.from == e.to || (!e.copy && e.to != e.from &&
                                                           other.to != other.from && other.to == e.from)))
                    return false;
        if (e.copy)
            return model_.contains(e.from) || std::any_of(together.begin(), together.end(),
                                                          [&](const Effect& o) { return o.from == e.from; });
        return true;
    }

    std::string takeBack() {
        size_t which = next(3) ? history_.size() - 1 : next(history_.size());
        Written& written = history_[which];
        work::Progress progress;
        auto outcome = library::takeBackSet(store_, written.set, std::nullopt, {}, progress);
        if (!outcome.error.empty())
            return outcome.error;
        size_t expected = 0, left = 0;
        Disk after = model_;
        std::vector<library::SetStep> steps = store_.journal().steps(written.set);
        std::vector<Effect*> done;
        for (Effect& e : written.effects) {
            if (e.back)
                continue;
            ++left;
            bool can = canGoBack(which, e, written.effects);
            expected += can;
            bool was = std::any_of(steps.begin(), steps.end(), [&](const library::SetStep& s) {
                return s.record.step.source.native() == e.from && s.record.step.copy == e.copy &&
                       s.record.state == StepState::TakenBack;
            });
            if (was && !can)
                return "something was taken back that others depend on: " + e.from + " -> " + e.to +
                       (e.copy ? " copy" : "");
            // What is refused though the model sees no reason: only because a step that it waits for is
            // refused.
            if (was)
                done.push_back(&e);
        }
        if (done.size() < expected && expected == left) {
            std::string why = outcome.refused.empty() ? "" : outcome.refused.front().second;
            if (why.find("place is taken") == std::string::npos &&
                why.find("in that place already") == std::string::npos &&
                why.find("is the only one") == std::string::npos)
                return "not taken back: " + why;
        }
        for (Effect* e : done)
            after.erase(e->to);
        for (Effect* e : done) {
            e->back = true;
            if (!e->copy)
                after[e->from] = e->before;
        }
        model_ = after;
        return {};
    }

    library::Store& store_;
    Path root_;
    std::mt19937 random_;
    Disk model_;
    std::multiset<std::string> sounds_;
    std::vector<Written> history_;
};

} // namespace

class TestSequences : public QObject {
    Q_OBJECT
private slots:
    void againstAModel() {
        const auto count = static_cast<uint32_t>(test::fromEnvironment("MOORFROST_TORTURE_SEQUENCES", 60));
        // Others each day, within those that scripts/torture tries.
        const auto from = static_cast<uint32_t>(
            test::fromEnvironment("MOORFROST_TORTURE_FIRST", 1 + test::shareDay() % 150 * 60));
        for (uint32_t seed = from; seed < from + count; ++seed) {
            test::Sandbox box(true);
            auto store = library::Store::open(box / "library.db");
            QVERIFY_RESULT(store);
            Sequence sequence(**store, box / "files", seed);
            std::string wrong = sequence.run(10);
            QVERIFY2(wrong.empty(), ("sequence " + std::to_string(seed) + ": " + wrong).c_str());
        }
        qInfo("%u sequences of 10 operations", count);
    }
};

QTEST_GUILESS_MAIN(TestSequences)
#include "test_sequences.moc"
