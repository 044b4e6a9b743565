using System.Runtime.CompilerServices;
using Kalypto.Core.Designs;

namespace Kalypto.Core.Isolating;

/// <summary>
/// Hashes elements whatever their ids are called: a program that makes all ids anew at each saving draws nothing anew. Ids
/// are counted in the order in which they are met.
/// </summary>
internal sealed class IdFreeKey
{
    // Without an id or a reference in it, an element is told by its fingerprint.
    private static readonly ConditionalWeakTable<Element, StrongBox<bool>> Plain = [];
    // Embedded pictures are large, and many layers refer to one.
    private static readonly ConditionalWeakTable<Element, string> WithoutOwnId = [];

    private readonly Dictionary<string, int> numbers = new(StringComparer.Ordinal);
    private readonly List<string> met = [];

    /// <summary>The ids that were met so far, in their order.</summary>
    public IReadOnlyList<string> Met => met;

    /// <summary>An element with all that lies in it.</summary>
    public string Of(Element element)
    {
        if (IsPlain(element))
        {
            return element.Fingerprint.Hex;
        }
        if (element["id"] is { } id && element.References.IsEmpty && element.Elements.All(IsPlain))
        {
            return $"{Number(id)} {WithoutOwnId.GetValue(element, e => new Element(e.Name, [.. e.Attributes.Where(a => a.Name != "id")], e.Children, e.Wide).Fingerprint.Hex)}";
        }
        using var hash = new FingerprintBuilder();
        Add(hash, element);
        foreach (var child in element.Children)
        {
            hash.Add(child is Element inner ? Of(inner) : "\0" + ((TextNode)child).Text);
        }
        return hash.Build().Hex;
    }

    /// <summary>An element without what lies in it.</summary>
    public string Shallow(Element element)
    {
        using var hash = new FingerprintBuilder();
        Add(hash, element);
        return hash.Build().Hex;
    }

    private void Add(FingerprintBuilder hash, Element element)
    {
        hash.Add(element.Name);
        foreach (var (name, value) in element.Attributes)
        {
            hash.Add(name).Add(name == "id" ? Number(value) : References.Rename(name, value, Number));
        }
        if (element.Wide is not null)
        {
            hash.Add("\0wide").Add(element.Wide);
        }
    }

    private string Number(string id)
    {
        if (!numbers.TryGetValue(id, out var number))
        {
            numbers[id] = number = numbers.Count;
            met.Add(id);
        }
        return $"{number}";
    }

    private static bool IsPlain(Element element) => Plain.GetValue(element, e => new(e["id"] is null && e.References.IsEmpty && e.Elements.All(IsPlain))).Value;
}
