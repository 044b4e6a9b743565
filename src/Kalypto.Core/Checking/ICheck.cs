namespace Kalypto.Core.Checking;

/// <summary>Looks for one sort of thing that is wrong or worth knowing.</summary>
public interface ICheck
{
    /// <summary>Tells it from all others, for ever: small letters and dashes. Findings, and what projects say of checks, carry it.</summary>
    string Id { get; }

    /// <summary>What it looks for, in a few words.</summary>
    string Name { get; }

    /// <summary>What people should know of it.</summary>
    CheckText Text { get; }

    /// <summary>True for one without which files would be lost or refused: it is always on, and always stops the build.</summary>
    bool IsEssential => false;

    /// <summary>Runs over a whole plan.</summary>
    IEnumerable<Finding> Run(CheckedPlan plan);
}
