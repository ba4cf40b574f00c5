// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json.h"
#include "base/message_json.h"

#include <algorithm>
#include <cmath>
#include <initializer_list>

namespace deft {

/// Reads members of one JSON object; the first complaint says path, what was expected and what was found.
class JsonReader {
public:
    /// @param strict members that nobody asked for are complained of, here and in what lies below
    JsonReader(const Json& json, std::string path, Message& trouble, bool strict = false)
        : json_(json), path_(std::move(path)), trouble_(trouble), strict_(strict) {
        if (!json_.is_object()) complain(path_, "an object", json_);
    }

    void text(const char* key, std::string& to, bool needed = false) {
        if (const Json* j = find(key, needed)) j->is_string() ? void(to = *j) : complain(at(key), "a text", *j);
    }
    void flag(const char* key, bool& to) {
        if (const Json* j = find(key)) j->is_boolean() ? void(to = *j) : complain(at(key), "true or false", *j);
    }
    void number(const char* key, double& to, double low, double high, bool needed = false) {
        const Json* j = find(key, needed);
        if (!j) return;
        if (!j->is_number() || !std::isfinite(j->get<double>()) || *j < low || *j > high)
            return complain(at(key), {"a number from {low} to {high}", {{"low", low}, {"high", high}}}, *j);
        to = *j;
    }
    void number(const char* key, std::optional<double>& to, double low, double high) {
        double v = 0;
        if (!find(key)) return;
        number(key, v, low, high);
        to = v;
    }
    void count(const char* key, int& to, int low, int high) {
        const Json* j = find(key);
        if (!j) return;
        if (!j->is_number_integer() || *j < low || *j > high)
            return complain(at(key), {"a whole number from {low} to {high}", {{"low", low}, {"high", high}}}, *j);
        to = *j;
    }
    void count(const char* key, std::optional<int>& to, int low, int high) {
        if (!find(key)) return;
        int v = low;
        count(key, v, low, high);
        to = v;
    }
    void texts(const char* key, std::vector<std::string>& to) {
        const Json* j = list(key);
        for (size_t i = 0; j && i < j->size(); ++i)
            (*j)[i].is_string() ? to.push_back((*j)[i])
                                : complain(at(key) + "/" + std::to_string(i), "a text", (*j)[i]);
    }
    /// Each a text, or a message as toJson() writes it.
    void messages(const char* key, Messages& to) {
        const Json* j = list(key);
        for (size_t i = 0; j && i < j->size(); ++i)
            (*j)[i].is_string() || (*j)[i].is_object() ? to.push_back(messageFrom((*j)[i]))
                                                       : complain(at(key) + "/" + std::to_string(i), "a text", (*j)[i]);
    }
    template <class F> void objects(const char* key, F&& each) {
        const Json* j = list(key);
        for (size_t i = 0; j && i < j->size(); ++i) {
            JsonReader r((*j)[i], at(key) + "/" + std::to_string(i), trouble_, strict_);
            if ((*j)[i].is_object()) each(r), r.finish();
        }
    }
    template <class F> void object(const char* key, F&& each, bool needed = false) {
        const Json* j = find(key, needed);
        if (!j) return;
        JsonReader r(*j, at(key), trouble_, strict_);
        if (j->is_object()) each(r), r.finish();
    }
    void oneOf(const char* key, const std::string& value, std::initializer_list<const char*> allowed) {
        std::string list;
        for (const char* a : allowed) {
            if (value == a) return;
            list += (list.empty() ? "\"" : ", \"") + std::string(a) + "\"";
        }
        complain(at(key), {"one of {known}", {{"known", list}}}, Json(value));
    }
    /// Everything that is read here has been asked for.
    void finish() {
        if (!strict_ || !json_.is_object()) return;
        std::string known;
        for (const std::string& key : asked_) known += (known.empty() ? "" : ", ") + key;
        for (const auto& [key, value] : json_.items())
            if (std::find(asked_.begin(), asked_.end(), key) == asked_.end())
                complain(at(key.c_str()), {"one of the members {known}", {{"known", known}}}, value);
    }
    const Json& json() const { return json_; }
    std::string at(const char* key) const { return path_ + "/" + key; }
    void complain(const std::string& path, Message expected, const Json& found) {
        if (trouble_.empty())
            trouble_ = {"{where}: expected {expected}, found {found}",
                        {{"where", path}, {"expected", std::move(expected)}, {"found", excerpt(found)}}};
    }

private:
    const Json* find(const char* key, bool needed = false) {
        if (!json_.is_object()) return nullptr;
        if (std::find(asked_.begin(), asked_.end(), key) == asked_.end()) asked_.push_back(key);
        const auto it = json_.find(key);
        if (it != json_.end() && !it->is_null()) return &*it;
        if (needed && trouble_.empty()) trouble_ = {"{where} is missing", {{"where", at(key)}}};
        return nullptr;
    }
    const Json* list(const char* key) {
        const Json* j = find(key);
        if (j && !j->is_array()) complain(at(key), "a list", *j);
        return j && j->is_array() ? j : nullptr;
    }

    const Json& json_;
    std::string path_;
    Message& trouble_;
    bool strict_;
    std::vector<std::string> asked_;
};

} // namespace deft
