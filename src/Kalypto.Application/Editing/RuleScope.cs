namespace Kalypto.Application.Editing;

/// <summary>Where a rule decides.</summary>
public enum RuleScope
{
    /// <summary>On one screen.</summary>
    Screen,
    /// <summary>In the whole design, also on no screen.</summary>
    Design,
    /// <summary>In every design of the project.</summary>
    Project,
}
