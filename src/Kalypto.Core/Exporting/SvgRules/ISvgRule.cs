namespace Kalypto.Core.Exporting.SvgRules;

/// <summary>One way to write the same picture shorter.</summary>
internal interface ISvgRule
{
    /// <summary>Applies it to a whole file.</summary>
    /// <param name="root">The root element.</param>
    /// <param name="decimals">Decimals that keep the picture the same at 4x, in units of the viewBox.</param>
    void Apply(ExportNode root, int decimals);
}
