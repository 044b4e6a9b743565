namespace Kalypto.Core.Checking;

/// <summary>Looks for one sort of thing that is wrong or worth knowing.</summary>
public interface ICheck
{
    /// <summary>What it looks for, in a few words; findings carry it.</summary>
    string Name { get; }

    /// <summary>Runs over a whole plan.</summary>
    IEnumerable<Finding> Run(CheckedPlan plan);
}
