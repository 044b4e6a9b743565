using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Ids of one or two letters, each once, in the order in which they stand.</summary>
internal sealed class ShortIds : ISvgRule
{
    private const string Letters = "abcdefghijklmnopqrstuvwxyz";

    public void Apply(ExportNode root, int decimals)
    {
        var used = root.ReferredIds();
        var names = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var node in root.SelfAndDescendants())
        {
            if (node["id"] is { } id)
            {
                // Of several with one id browsers take the first.
                node["id"] = used.Contains(id) && !names.ContainsKey(id) ? names[id] = Name(names.Count) : null;
            }
        }
        foreach (var node in root.SelfAndDescendants())
        {
            foreach (var (name, value) in node.Attributes.ToList())
            {
                if (References.Of(name, value).Any())
                {
                    node[name] = References.Rename(name, value, id => names.GetValueOrDefault(id, id));
                }
            }
        }
    }

    private static string Name(int number) => number < Letters.Length ? Letters[number].ToString() : Name(number / Letters.Length - 1) + Letters[number % Letters.Length];
}
