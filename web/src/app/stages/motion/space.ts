import type { Solid3, SolidStyle } from '@intervex/core/views/motion';
import {
  AmbientLight,
  BoxGeometry,
  Color,
  CylinderGeometry,
  Curve,
  DirectionalLight,
  Group,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Plane,
  Quaternion,
  Scene,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
  type BufferGeometry,
} from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';

/** Custom property each kind of solid is coloured by. */
const COLOURS: Readonly<Record<SolidStyle, string>> = {
  tube: '--dye',
  bracket: '--ink-2',
  link: '--ink',
  bar: '--amber',
  spring: '--dye',
  wheel: '--ink-2',
  obstacle: '--amber',
  met: '--red',
};
const SEE_THROUGH: readonly SolidStyle[] = ['wheel', 'obstacle'];
const UP = new Vector3(0, 1, 0);
const TURNS = 7;
/** What an arrow key turns by, rad, and a plus key nears by. */
const TURN = Math.PI / 24;
const NEARER = 0.9;

/** Forward, left and up become the picture’s own ways: z up. */
const at = ([x, y, z]: readonly [number, number, number]): Vector3 => new Vector3(x, y, z);

/** A spring’s wire. */
class Coil extends Curve<Vector3> {
  constructor(
    private readonly long: number,
    private readonly radius: number,
  ) {
    super();
  }
  override getPoint(t: number, into = new Vector3()): Vector3 {
    const angle = 2 * Math.PI * TURNS * t;
    return into.set(this.radius * Math.cos(angle), (t - 0.5) * this.long, this.radius * Math.sin(angle));
  }
}

function geometryOf(solid: Solid3): {
  readonly shape: BufferGeometry;
  readonly from: Vector3;
  readonly to: Vector3;
} {
  if (solid.kind === 'box') {
    const [a, b] = [at(solid.low), at(solid.high)];
    const size = b.clone().sub(a);
    return { shape: new BoxGeometry(size.x || 1, size.y || 1, size.z || 1), from: a, to: b };
  }
  const [from, to] = [at(solid.from), at(solid.to)];
  const long = from.distanceTo(to);
  const shape =
    solid.kind === 'coil'
      ? new TubeGeometry(new Coil(long * 0.7, solid.radius), 90, 5, 6)
      : new CylinderGeometry(solid.radius, solid.radius, long, 28);
  return { shape, from, to };
}

/** Axle, links, springs, wheels and what is in the way, seen in space. It draws only when something has changed. */
export class Space {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(38, 1, 10, 12_000);
  private readonly controls: OrbitControls;
  private readonly things = new Group();
  private readonly cut = new Plane(new Vector3(0, -1, 0), 1e6);
  private asked = 0;
  /** How often it was drawn. */
  drawn = 0;

  /** @throws Error where the browser has no WebGL */
  constructor(private readonly canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true });
    this.renderer.clippingPlanes = [this.cut];
    this.camera.up.set(0, 0, 1);
    this.controls = new OrbitControls(this.camera, canvas);
    this.controls.addEventListener('change', () => {
      this.ask();
    });
    const sun = new DirectionalLight(0xffffff, 2.2);
    sun.position.set(-600, 900, 1500);
    const low = new DirectionalLight(0xffffff, 0.9);
    low.position.set(900, -700, 300);
    this.scene.add(new AmbientLight(0xffffff, 1.1), sun, low, this.things);
    this.home();
  }

  /** Looks from behind, the left and above. */
  home(): void {
    this.camera.position.set(-1500, 1250, 1150);
    this.controls.target.set(120, 0, 320);
    this.controls.update();
    this.ask();
  }

  /** Turns by keys: across and up, rad. */
  turn(across: number, up: number): void {
    const out = this.camera.position.clone().sub(this.controls.target);
    out.applyAxisAngle(new Vector3(0, 0, 1), across);
    const side = new Vector3(0, 0, 1).cross(out).normalize();
    const lifted = out.clone().applyAxisAngle(side, -up);
    const steep = Math.abs(lifted.z / lifted.length());
    if (steep < 0.995) out.copy(lifted);
    this.camera.position.copy(this.controls.target).add(out);
    this.controls.update();
    this.ask();
  }

  nearer(by: number): void {
    const out = this.camera.position.clone().sub(this.controls.target).multiplyScalar(by);
    if (out.length() < 200 || out.length() > 9000) return;
    this.camera.position.copy(this.controls.target).add(out);
    this.controls.update();
    this.ask();
  }

  /** What a key does to the view. @returns whether it was one of its own */
  key(name: string): boolean {
    const turns: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-TURN, 0],
      ArrowRight: [TURN, 0],
      ArrowUp: [0, TURN],
      ArrowDown: [0, -TURN],
    };
    const turn = turns[name];
    if (turn) this.turn(...turn);
    else if (name === '+' || name === '=') this.nearer(NEARER);
    else if (name === '-') this.nearer(1 / NEARER);
    else if (name === 'Home') this.home();
    else return false;
    return true;
  }

  /** From where it is looked at: degrees round the car and above the ground. */
  where(): { readonly round: number; readonly above: number } {
    const out = this.camera.position.clone().sub(this.controls.target);
    const deg = 180 / Math.PI;
    return {
      round: Math.round(Math.atan2(out.y, out.x) * deg),
      above: Math.round(Math.asin(out.z / out.length()) * deg),
    };
  }

  /** Everything left of a plane across the car is cut away, mm left of its middle. */
  section(y: number): void {
    this.cut.constant = y;
    this.ask();
  }

  show(solids: readonly Solid3[]): void {
    this.clear();
    const style = getComputedStyle(this.canvas);
    const colour = (name: string) => new Color(style.getPropertyValue(name).trim());
    this.scene.background = colour('--sheet');
    for (const solid of solids) {
      const { shape, from, to } = geometryOf(solid);
      const pale = SEE_THROUGH.includes(solid.style);
      const material = new MeshLambertMaterial({
        color: colour(COLOURS[solid.style]),
        transparent: pale,
        opacity: pale ? 0.35 : 1,
      });
      const mesh = new Mesh(shape, material);
      mesh.name = solid.name;
      mesh.position.copy(from).add(to).multiplyScalar(0.5);
      if (solid.kind !== 'box')
        mesh.quaternion.copy(new Quaternion().setFromUnitVectors(UP, to.clone().sub(from).normalize()));
      this.things.add(mesh);
    }
    this.ask();
  }

  size(width: number, height: number): void {
    if (width < 1 || height < 1) return;
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio));
    this.renderer.setSize(width, height, false);
    this.camera.aspect = width / height;
    this.camera.updateProjectionMatrix();
    this.ask();
  }

  /** The scene as an open file: metres, y up, as glTF wants it. */
  async file(): Promise<string> {
    const { GLTFExporter } = await import('three/examples/jsm/exporters/GLTFExporter.js');
    const whole = new Group();
    whole.add(this.things.clone());
    whole.scale.setScalar(0.001);
    whole.rotation.x = -Math.PI / 2;
    const made = await new GLTFExporter().parseAsync(whole, { binary: false });
    return JSON.stringify(made);
  }

  end(): void {
    cancelAnimationFrame(this.asked);
    this.asked = 0;
    this.clear();
    this.controls.dispose();
    this.renderer.dispose();
  }

  private clear(): void {
    for (const thing of [...this.things.children]) {
      this.things.remove(thing);
      if (!(thing instanceof Mesh)) continue;
      (thing.geometry as BufferGeometry).dispose();
      (thing.material as MeshLambertMaterial).dispose();
    }
  }

  private ask(): void {
    this.asked ||= requestAnimationFrame(() => {
      this.asked = 0;
      this.drawn += 1;
      this.renderer.render(this.scene, this.camera);
    });
  }
}
