using ExCSS;

namespace Kalypto.Core.Reading.Styles;

/// <summary>A style rule with one selector: what it picks, how strongly, and what it says.</summary>
internal sealed record StyleRuleLine(ISelector Selector, Priority Specificity, int Order, IReadOnlyList<(string Name, string Value, bool Important)> Declarations);
