using Kalypto.Core.Designs;

namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>Writes what stands in styles as attributes, which later rules know, and drops what is not drawn.</summary>
internal sealed class StylesAsAttributes : ISvgRule
{
    public void Apply(ExportNode root, int decimals)
    {
        foreach (var node in root.SelfAndDescendants())
        {
            if (node["style"] is not { } style)
            {
                continue;
            }
            var kept = new List<KeyValuePair<string, string>>();
            foreach (var (name, value) in StyleText.Parse(style))
            {
                if (Properties.Inherited.ContainsKey(name) || Properties.OfItself.ContainsKey(name))
                {
                    node[name] = value;
                }
                else if (!name.StartsWith('-') && !Properties.NotDrawn.Contains(name))
                {
                    // Blend modes, font shorthands and the like have no attribute of their own.
                    kept.Add(new(name, value));
                }
            }
            node["style"] = kept.Count == 0 ? null : StyleText.Write(kept);
        }
    }
}
