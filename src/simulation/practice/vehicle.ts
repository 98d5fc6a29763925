import { curesOf } from '../../core/faults/registry';
import type { PracticeCase } from '../../core/practice/case';
import type { FaultId } from '../../core/vehicle/faults';
import type { RepairId } from '../../core/vehicle/repairs';
import type { Symptom } from '../../core/vehicle/symptoms';
import { noticedOf, writtenCase } from '../cases/case';
import type { Case as Hidden } from '../cases/hidden-case';

/** The vehicle of a case as it truly is: what was cured is out of it. */
export class PracticeVehicle {
  readonly #of: PracticeCase;
  #faults: PracticeCase['faults'];
  #hidden: Hidden;
  /** What its driver complained of when it came in. */
  readonly symptoms: readonly Symptom[];

  constructor(of: PracticeCase) {
    this.#of = of;
    this.#faults = of.faults;
    this.#hidden = this.#made();
    this.symptoms = this.#hidden.symptoms;
  }

  /** As hands find it. */
  get hidden(): Hidden {
    return this.#hidden;
  }
  /** What is still wrong with it. */
  get faults(): PracticeCase['faults'] {
    return this.#faults;
  }
  get left(): FaultId[] {
    return this.#faults.map((f) => f.fault);
  }

  /** What these repairs cure is out of it; its codes were cleared with them. */
  repair(repairs: readonly RepairId[]): void {
    const cured = new Set(repairs.flatMap((id) => [...curesOf(id)]));
    this.#cure((fault) => cured.has(fault));
    this.#hidden = { ...this.#hidden, codes: [] };
  }

  /** It is full, and bled. */
  fill(): void {
    const { codes } = this.#hidden;
    this.#cure((fault) => fault === 'coolant-low');
    this.#hidden = { ...this.#hidden, codes, plant: { ...this.#hidden.plant, filling: 1 } };
  }

  /** Each complaint, and whether its driver still finds it. */
  tried(): { readonly symptom: Symptom; readonly gone: boolean }[] {
    const noticed = new Set(this.#faults.length > 0 ? noticedOf(this.#hidden).map((s) => s.what) : []);
    return this.symptoms.map((symptom) => ({ symptom, gone: !noticed.has(symptom.what) }));
  }

  #cure(cured: (fault: FaultId) => boolean): void {
    this.#faults = this.#faults.filter((f) => !cured(f.fault));
    this.#hidden = { ...this.#made(), symptoms: this.symptoms };
  }

  #made(): Hidden {
    const { sheet, ambientC, seed, symptoms, codes } = this.#of;
    return writtenCase({ spec: sheet, faults: this.#faults, ambientC, seed, symptoms, codes });
  }
}
