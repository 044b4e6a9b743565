namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>What all elements of a group say alike, the group says once.</summary>
internal sealed class SharedAttributes : ISvgRule
{
    public void Apply(ExportNode root, int decimals)
    {
        foreach (var node in root.SelfAndDescendants().Reverse().Where(n => n.Name is "g" or "svg").ToList())
        {
            var elements = node.Elements.Where(e => e.Name != "defs").ToList();
            // What lies in definitions would inherit it too.
            if (elements.Count < 2 || node.Elements.Any(e => e.Name == "defs") || elements.Any(e => e["id"] is not null || e.Name is not ("path" or "g" or "circle" or "ellipse" or "rect")))
            {
                continue;
            }
            foreach (var (name, value) in elements[0].Attributes.Where(a => Properties.Inherited.ContainsKey(a.Key)).ToList())
            {
                if (elements.All(e => e[name] == value) && (node == root || node["filter"] is null))
                {
                    node[name] = value;
                    elements.ForEach(e => e[name] = null);
                }
            }
        }
    }
}
