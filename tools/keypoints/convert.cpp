// SPDX-License-Identifier: GPL-3.0-or-later
// Turns the published graph (JSON) and its weights (16-bit floats) into one ONNX file that OpenCV reads.
//
//   deft-mirror-convert GRAPH.json WEIGHTS.bin OUT.onnx
//
// Only the part between the normalised picture and the four heads is kept; the decoding after them is ours
// (src/core/detection/keypoint_network.cpp). The input is already scaled to −1…1, because padding must be zero after
// that scaling and so it cannot be folded into the first convolution.

#include "base/files.h"
#include "base/json.h"

#include <cmath>
#include <cstring>
#include <functional>
#include <iostream>
#include <map>
#include <onnx/onnx_pb.h>
#include <set>
#include <stdexcept>

namespace {

using deft::Json;

const std::string kScope = "StatefulPartitionedCall/";
constexpr int kSide = 256; // pixels of the input
/// Heads of the network, and the names that the reader looks for.
const std::vector<std::pair<std::string, std::string>> kHeads = {{"center_0/conv2d_4/BiasAdd", "center"},
                                                                 {"kpt_heatmap_0/conv2d_5/BiasAdd", "heat"},
                                                                 {"kpt_regress_0/conv2d_6/BiasAdd", "regress"},
                                                                 {"kpt_offset_0/conv2d_7/BiasAdd", "offset"}};

float fromHalf(uint16_t h) {
    const int sign = h >> 15, exponent = (h >> 10) & 31, fraction = h & 1023;
    const float size =
        exponent == 0 ? std::ldexp(float(fraction), -24) : std::ldexp(float(fraction + 1024), exponent - 25);
    return sign ? -size : size;
}

struct Tensor {
    std::vector<int64_t> shape;
    std::vector<float> value;
};

std::map<std::string, Tensor> readWeights(const Json& manifest, const std::string& bytes) {
    std::map<std::string, Tensor> tensors;
    size_t at = 0;
    for (const Json& w : manifest.at("weights")) {
        Tensor t;
        int64_t count = 1;
        for (const Json& d : w.at("shape")) {
            t.shape.push_back(d.get<int64_t>());
            count *= t.shape.back();
        }
        const bool half = w.contains("quantization");
        const size_t length = size_t(count) * (half ? 2 : 4);
        if (half && w.at("quantization").at("dtype") != "float16")
            throw std::runtime_error("weights are not 16-bit floats");
        if (at + length > bytes.size()) throw std::runtime_error("the weights file is too short");
        if (half) { // whole numbers belong to the decoding, which is left out
            t.value.resize(size_t(count));
            for (size_t i = 0; i < t.value.size(); ++i) {
                uint16_t h;
                std::memcpy(&h, bytes.data() + at + 2 * i, 2);
                t.value[i] = fromHalf(h);
            }
            tensors[w.at("name")] = std::move(t);
        }
        at += length;
    }
    if (at != bytes.size()) throw std::runtime_error("the weights file is too long");
    return tensors;
}

/// Attribute strings are Base64 in the JSON.
const std::map<std::string, std::string> kWords = {
    {"U0FNRQ==", "SAME"}, {"VkFMSUQ=", "VALID"}, {"Qmlhc0FkZA==", "bias"}, {"UmVsdTY=", "relu6"}, {"UmVsdQ==", "relu"}};

class Converter {
public:
    Converter(const Json& graph, std::map<std::string, Tensor> weights) : weights_(std::move(weights)) {
        for (const Json& n : graph.at("modelTopology").at("node")) nodes_[n.at("name")] = &n;
        model_.set_ir_version(7);
        model_.set_producer_name("deft-mirror");
        model_.add_opset_import()->set_version(11);
        out_ = model_.mutable_graph();
        out_->set_name("keypoints");
        side_[kScope + "sub_1"] = kSide;
        done_.insert(kScope + "sub_1");
        describe(out_->add_input(), kScope + "sub_1", {1, 3, kSide, kSide});
        for (const auto& [head, name] : kHeads) {
            visit(kScope + head);
            auto* same = out_->add_node();
            same->set_op_type("Identity");
            same->set_name(name);
            same->add_input(kScope + head);
            same->add_output(name);
            describe(out_->add_output(), name, {1, -1, side_.at(kScope + head), side_.at(kScope + head)});
        }
    }
    std::string bytes() const { return model_.SerializeAsString(); }

private:
    static void describe(onnx::ValueInfoProto* info, const std::string& name, const std::vector<int64_t>& shape) {
        info->set_name(name);
        auto* type = info->mutable_type()->mutable_tensor_type();
        type->set_elem_type(onnx::TensorProto::FLOAT);
        for (const int64_t d : shape) {
            auto* dim = type->mutable_shape()->add_dim();
            if (d > 0) dim->set_dim_value(d);
        }
    }
    void constant(const std::string& name, const std::vector<int64_t>& shape, const std::vector<float>& value) {
        auto* t = out_->add_initializer();
        t->set_name(name);
        t->set_data_type(onnx::TensorProto::FLOAT);
        for (const int64_t d : shape) t->add_dims(d);
        t->set_raw_data(value.data(), value.size() * sizeof(float));
    }
    onnx::NodeProto* node(const std::string& type, const std::vector<std::string>& inputs, const std::string& output) {
        auto* n = out_->add_node();
        n->set_op_type(type);
        n->set_name(output);
        for (const auto& i : inputs) n->add_input(i);
        n->add_output(output);
        return n;
    }
    static void ints(onnx::NodeProto* n, const std::string& name, const std::vector<int64_t>& values) {
        auto* a = n->add_attribute();
        a->set_name(name);
        a->set_type(onnx::AttributeProto::INTS);
        for (const int64_t v : values) a->add_ints(v);
    }
    static void whole(onnx::NodeProto* n, const std::string& name, int64_t value) {
        auto* a = n->add_attribute();
        a->set_name(name);
        a->set_type(onnx::AttributeProto::INT);
        a->set_i(value);
    }
    static void number(onnx::NodeProto* n, const std::string& name, float value) {
        auto* a = n->add_attribute();
        a->set_name(name);
        a->set_type(onnx::AttributeProto::FLOAT);
        a->set_f(value);
    }
    static void text(onnx::NodeProto* n, const std::string& name, const std::string& value) {
        auto* a = n->add_attribute();
        a->set_name(name);
        a->set_type(onnx::AttributeProto::STRING);
        a->set_s(value);
    }

    void visit(const std::string& name) {
        if (!done_.insert(name).second) return;
        const auto it = nodes_.find(name);
        if (it == nodes_.end()) throw std::runtime_error("the graph has no node " + name);
        const Json& n = *it->second;
        const std::string op = n.at("op");
        const auto inputs = n.at("input").get<std::vector<std::string>>();
        if (op == "AddV2") {
            for (const auto& i : inputs) visit(i);
            node("Add", inputs, name);
            side_[name] = side_.at(inputs[0]);
        } else if (op == "ResizeBilinear") {
            visit(inputs[0]);
            enlarge(name, inputs[0]);
        } else if (op.find("Conv2") != std::string::npos || op.find("Conv2d") != std::string::npos) {
            visit(inputs[0]);
            convolution(n, name, op, inputs);
        } else {
            throw std::runtime_error("unknown operation " + op + " at " + name);
        }
    }

    void enlarge(const std::string& name, const std::string& from) {
        constant(name + "/scales", {4}, {1, 1, 2, 2});
        constant(name + "/roi", {0}, {});
        auto* r = node("Resize", {from, name + "/roi", name + "/scales"}, name);
        text(r, "mode", "linear");
        text(r, "coordinate_transformation_mode", "half_pixel");
        side_[name] = 2 * side_.at(from);
    }

    void convolution(const Json& n, const std::string& name, const std::string& op,
                     const std::vector<std::string>& inputs) {
        const Json& attributes = n.at("attr");
        const auto stride = std::stoll(attributes.at("strides").at("list").at("i").at(1).get<std::string>());
        const bool same = kWords.at(attributes.at("padding").at("s")) == "SAME";
        const bool depthwise = op.find("Depthwise") != std::string::npos;
        // Kernels come as height, width, in, out (depthwise: out = copies of each channel).
        const Tensor& w = weights_.at(inputs[1]);
        const int64_t kh = w.shape[0], kw = w.shape[1], in = w.shape[2], out = w.shape[3];
        if (depthwise && out != 1) throw std::runtime_error("unknown kind of depthwise convolution at " + name);
        std::vector<float> kernel(w.value.size());
        for (int64_t y = 0; y < kh; ++y)
            for (int64_t x = 0; x < kw; ++x)
                for (int64_t i = 0; i < in; ++i)
                    for (int64_t o = 0; o < out; ++o)
                        kernel[size_t(((depthwise ? i : o * in + i) * kh + y) * kw + x)] =
                            w.value[size_t(((y * kw + x) * in + i) * out + o)];
        constant(name + "/kernel", {depthwise ? in : out, depthwise ? 1 : in, kh, kw}, kernel);
        std::vector<std::string> arguments = {inputs[0], name + "/kernel"};
        std::string activation;
        if (attributes.contains("fused_ops"))
            for (const Json& f : attributes.at("fused_ops").at("list").at("s")) {
                const std::string word = kWords.at(f);
                if (word == "bias") {
                    const Tensor& b = weights_.at(inputs[2]);
                    constant(name + "/bias", b.shape, b.value);
                    arguments.push_back(name + "/bias");
                } else
                    activation = word;
            }
        const std::string result = activation.empty() ? name : name + "/linear";
        auto* c = node("Conv", arguments, result);
        ints(c, "kernel_shape", {kh, kw});
        ints(c, "strides", {stride, stride});
        whole(c, "group", depthwise ? in : 1);
        const int64_t side = side_.at(inputs[0]), left = same ? (side + stride - 1) / stride : (side - kh) / stride + 1;
        const int64_t padding = same ? std::max<int64_t>(0, (left - 1) * stride + kh - side) : 0;
        const int64_t before = padding / 2, after = padding - before;
        ints(c, "pads", {before, before, after, after});
        side_[name] = left;
        if (activation == "relu6") {
            auto* clip = node("Clip", {result}, name);
            number(clip, "min", 0);
            number(clip, "max", 6);
        } else if (activation == "relu")
            node("Relu", {result}, name);
    }

    std::map<std::string, Tensor> weights_;
    std::map<std::string, const Json*> nodes_;
    std::map<std::string, int64_t> side_; ///< pixels of each result
    std::set<std::string> done_;
    onnx::ModelProto model_;
    onnx::GraphProto* out_ = nullptr;
};

} // namespace

int main(int count, char** arguments) {
    if (count != 4) {
        std::cerr << "use: deft-mirror-convert GRAPH.json WEIGHTS.bin OUT.onnx\n";
        return 2;
    }
    try {
        const auto graph = deft::readJsonFile(arguments[1]);
        if (!graph) throw std::runtime_error(graph.error().detail());
        const auto bytes = deft::readFile(arguments[2]);
        if (!bytes) throw std::runtime_error(bytes.error().detail());
        const Converter converter(*graph, readWeights(graph->at("weightsManifest").at(0), *bytes));
        if (auto ok = deft::writeFileAtomically(arguments[3], converter.bytes()); !ok)
            throw std::runtime_error(ok.error().detail());
    } catch (const std::exception& e) {
        std::cerr << "deft-mirror-convert: " << e.what() << "\n";
        return 1;
    }
}
