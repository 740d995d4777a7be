// SPDX-License-Identifier: GPL-3.0-or-later
// One step of a chain as a form, made of the table of its options.
#pragma once

#include <QFrame>

#include <functional>

#include "core/edits/chain.h"

class QLabel;

namespace moorfrost::app {

class StepForm : public QFrame {
    Q_OBJECT
public:
    /// `keys`: the fields that are offered.
    StepForm(const edits::Step& step, const std::vector<std::string>& keys, QWidget* parent = nullptr);

    edits::Step step() const;
    /// From 1, of so many.
    void setPlace(int number, int of);
    /// Where typing begins.
    void focusFirst();

signals:
    void changed();
    void moveWanted(int by);
    void removeWanted();

private:
    QWidget* control(const edits::OptionDef& def, const edits::Options& options,
                     const std::vector<std::string>& keys);

    const edits::StepKind& kind_;
    QLabel* number_;
    QWidget *up_, *down_, *remove_;
    std::vector<QWidget*> controls_;
    std::vector<std::pair<std::string, std::function<std::vector<std::string>()>>> readers_;
};

} // namespace moorfrost::app
