namespace Kalypto.Core.Reading.Normalising;

/// <summary>Puts the values of custom properties (<c>--name</c>) where <c>var(--name, fallback)</c> asks for them (CSS Variables level 1).</summary>
internal sealed class CustomProperties : INormalisation
{
    private const int MostReplacements = 64;
    private const int MostRepeated = 2_000;
    private readonly Dictionary<ElementBuilder, Scope> known = [];

    // What elements ask for, with the values that they got.
    private readonly List<(ElementBuilder Element, string Name)> asked = [];

    /// <summary>What one element sets, on top of what is set around it.</summary>
    private sealed record Scope(Scope? Around, Dictionary<string, string> Own)
    {
        public string? Find(string name)
        {
            for (var scope = this; scope is not null; scope = scope.Around)
            {
                if (scope.Own.TryGetValue(name, out var value))
                {
                    return value;
                }
            }
            return null;
        }
    }

    public void Apply(ElementBuilder element, Action<string> note)
    {
        var around = element.Parent is { } parent ? known.GetValueOrDefault(parent) : null;
        var own = element.Declared?.Where(d => d.Key.StartsWith("--", StringComparison.Ordinal)).ToList() ?? [];
        var here = around;
        if (own.Count > 0)
        {
            here = new(around, new(own));
            own.ForEach(d => element.Declared!.Remove(d.Key));
        }
        if (here is not null)
        {
            known[element] = here;
        }
        foreach (var (name, value) in element.Declared?.ToList() ?? [])
        {
            if (value.Contains("var(", StringComparison.Ordinal))
            {
                if (Resolve(element, value, here) is { Length: > 0 } resolved)
                {
                    element.Declared![name] = resolved;
                }
                else
                {
                    element.Declared!.Remove(name);
                    note($"“{name}: {value}” names a custom property that the drawing does not set; it is left out.");
                }
            }
        }
        for (var i = 0; i < element.Attributes.Count; i++)
        {
            var (name, value) = element.Attributes[i];
            if (name != "style" && value.Contains("var(", StringComparison.Ordinal) && Resolve(element, value, here) is { } resolved)
            {
                element.Attributes[i] = new(name, resolved);
            }
        }
    }

    /// <summary>Says of repeats whose own values are others than those around what they repeat that only the exact engine draws them: here a value is put in once, where it is asked for.</summary>
    public void MarkRepeats(ElementBuilder root)
    {
        if (asked.Count == 0 || known.Count == 0)
        {
            return;
        }
        var names = asked.ToLookup(a => a.Element, a => a.Name);
        var byId = new Dictionary<string, ElementBuilder>(StringComparer.Ordinal);
        var uses = new List<ElementBuilder>();
        foreach (var element in root.SelfAndDescendants())
        {
            if (element["id"] is { } id)
            {
                byId.TryAdd(id, element);
            }
            if (element.Name == "use")
            {
                uses.Add(element);
            }
        }
        foreach (var use in uses.Where(u => u["href"] is ['#', ..]))
        {
            if (byId.TryGetValue(use["href"]![1..], out var repeated) && IsOther(use, repeated, names))
            {
                use.Beyond ??= "custom properties of a repeat";
            }
        }
    }

    private bool IsOther(ElementBuilder use, ElementBuilder repeated, ILookup<ElementBuilder, string> names)
    {
        var around = repeated.Parent is { } parent ? known.GetValueOrDefault(parent) : null;
        var here = known.GetValueOrDefault(use);
        return !ReferenceEquals(around, here) && repeated.SelfAndDescendants().Take(MostRepeated).Any(e => names[e].Any(name => !IsSetWithin(e, repeated, name) && around?.Find(name) != here?.Find(name)));
    }

    private bool IsSetWithin(ElementBuilder element, ElementBuilder repeated, string name)
    {
        for (var (e, stop) = (element, repeated.Parent); e is not null && e != stop; e = e.Parent)
        {
            // One that sets nothing is known by what is in force around it.
            if (known.GetValueOrDefault(e) is { } scope && !ReferenceEquals(scope, e.Parent is { } parent ? known.GetValueOrDefault(parent) : null) && scope.Own.ContainsKey(name))
            {
                return true;
            }
        }
        return false;
    }

    /// <summary>The value with every <c>var()</c> replaced; null when one is neither set nor has a fallback.</summary>
    private string? Resolve(ElementBuilder element, string value, Scope? properties)
    {
        for (var round = 0; round < MostReplacements; round++)
        {
            var at = value.LastIndexOf("var(", StringComparison.Ordinal);
            if (at < 0)
            {
                return value;
            }
            var end = value.IndexOf(')', at);
            if (end < 0)
            {
                return null;
            }
            var inside = value[(at + 4)..end];
            var comma = inside.IndexOf(',', StringComparison.Ordinal);
            var name = (comma < 0 ? inside : inside[..comma]).Trim();
            asked.Add((element, name));
            var replacement = properties?.Find(name) ?? (comma < 0 ? null : inside[(comma + 1)..].Trim());
            if (replacement is null || value.Length + replacement.Length > 10_000)
            {
                return null;
            }
            value = value[..at] + replacement + value[(end + 1)..];
        }
        return null;
    }
}
